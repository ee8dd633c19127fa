export { sendKept } from "./sendKept";
export { useStage, useUndoKeys } from "./useStage";
export { bodyOf, useVisit, wornOf } from "./visitData";
export { default as SaveState } from "./SaveState.vue";
