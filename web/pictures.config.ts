import journeys from "./playwright.config";

// `make pictures`: the pictures in docs/screenshots, taken from the demo data.
export default { ...journeys, testDir: "pictures" };
