export { useInstruments } from "./useInstruments";
export { useIntake } from "./useIntake";
export { default as InstrumentStrip } from "./InstrumentStrip.vue";
