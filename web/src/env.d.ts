declare module "@fontsource-variable/*";
