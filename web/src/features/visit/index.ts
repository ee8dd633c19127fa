export { useStage, useUndoKeys } from "./useStage";
export { bodyOf, useVisit } from "./visitData";
export { default as SaveState } from "./SaveState.vue";
