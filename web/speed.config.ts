import journeys from "./playwright.config";

// `make bench`: what the page itself takes, measured and not asserted.
export default { ...journeys, testDir: "speed", timeout: 0 };
