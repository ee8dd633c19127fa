export { sendKept } from "./sendKept";
export { useStage, useUndoKeys } from "./useStage";
export { hairQuestion, headQuestion, marksQuestion, planQuestion, uncutQuestion } from "./questions";
export { bodyOf, useVisit } from "./visitData";
export { default as SaveState } from "./SaveState.vue";
