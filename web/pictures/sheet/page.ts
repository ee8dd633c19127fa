/** A page of nothing but drawn hair, by the product's own renderer. */
import type { Figure } from "../../src/api";
import type { View } from "../../src/shared/sights";
import HairPicture from "../../src/shared/hair/HairPicture.vue";
import { tonesOf } from "../../src/shared/hair/tones";
import type { ZoneReadings } from "../../src/shared/patches";
import "../../src/styles/tokens.css";
import { createApp, h } from "vue";

export interface Cell {
  figure: Figure;
  /** As the program answers them. */
  locks: string;
  zones: ZoneReadings;
  view: View;
}

declare global {
  interface Window {
    show: (cells: Cell[], columns: number, box: [number, number, number, number]) => void;
  }
}
window.show = (cells, columns, box) => {
  const pictures = cells.map(({ figure, locks, zones, view }) =>
    h(HairPicture, { figure, locks: new Blob([locks]), view, box, tones: tonesOf(zones), label: "" }),
  );
  const style = `display:grid;grid-template-columns:repeat(${columns},1fr);gap:4px;background:var(--sheet)`;
  createApp({ render: () => h("main", { style }, pictures) }).mount(document.body);
};
