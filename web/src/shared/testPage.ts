/** What index.html has around the application, for tests of its parts: lists and dialogs open in there. */
const layers = globalThis.document?.createElement("section");
if (layers) {
  layers.id = "layers";
  document.body.append(layers);
}

// The journeys' language, whatever the machine's is.
if (globalThis.navigator) Object.defineProperty(navigator, "language", { value: "en-GB" });
