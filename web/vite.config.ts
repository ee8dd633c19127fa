import vue from "@vitejs/plugin-vue";
import Components from "unplugin-vue-components/vite";
import { ElementPlusResolver } from "unplugin-vue-components/resolvers";
import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

// While developing, `npm run dev` serves the pages and passes the API on to a running `spirel demo`.
const server = process.env.SPIREL_SERVER ?? "http://127.0.0.1:8420";

export default defineConfig({
  plugins: [
    vue(),
    // Each Element Plus component that a template names is imported with its own style, and nothing else of it.
    Components({ dts: false, resolvers: [ElementPlusResolver()] }),
  ],
  resolve: {
    alias: {
      "@": fileURLToPath(new URL("./src", import.meta.url)),
      // The catalogue of messages, which the command line reads, too.
      "@locales": fileURLToPath(new URL("../locales", import.meta.url)),
    },
  },
  build: {
    target: "es2022",
    // Fonts stay files of their own: the content security policy takes no data: fonts.
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 400,
  },
  server: {
    host: "127.0.0.1",
    proxy: { "/api": server, "/health": server },
    fs: { allow: [".."] },
  },
  test: {
    environment: "happy-dom",
    include: ["src/**/*.test.ts"],
    setupFiles: ["src/shared/testPage.ts"],
    server: { deps: { inline: ["element-plus"] } },
    // Tests of one worker share what they import, which takes most of their time. So none replaces a module: what one is told
    // to answer is put back after it.
    isolate: false,
    restoreMocks: true,
    // Machines that share their cores stand still for seconds at a time.
    testTimeout: 120_000,
    hookTimeout: 120_000,
  },
});
