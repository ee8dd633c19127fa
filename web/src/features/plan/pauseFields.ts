/** The fields of a pause: a look, something that goes into the hair, or drying; and what is to be seen to. */
import {
  dryingMethodValues,
  productGivesValues,
  type DryingMethod,
  type Move,
  type Pause,
  type ProductGives,
} from "@/api";
import { choice, text, type Field } from "@/shared/fields";
import { named } from "@/shared/choices";
import { t } from "@/shared/words";
import { PAUSES, pauseOf, tagOf, type PauseName } from "./how";

export function pauseFields(pause: Pause): Field<Move>[] {
  const name = tagOf(pause) as PauseName;
  const note = Object.values(pause)[0]?.note ?? "";
  const put = (move: Move, next: Pause) => (move.kind = { pause: next });
  const fields: Field<Move>[] = [
    choice<Move, PauseName>("kind.pause", t("plan-pause"), named(PAUSES, "plan-pauses"), name, (move, next) =>
      put(move, pauseOf(next, note)),
    ),
  ];
  if ("product" in pause)
    fields.push(
      choice<Move, ProductGives>(
        "kind.pause.product.gives",
        t("plan-gives"),
        named(productGivesValues, "plan-givesWhat"),
        pause.product.gives,
        (move, gives) => put(move, { product: { note, gives } }),
      ),
    );
  if ("dry" in pause)
    fields.push(
      choice<Move, DryingMethod>(
        "kind.pause.dry.by",
        t("plan-dryBy"),
        named(dryingMethodValues, "plan-drying"),
        pause.dry.by,
        (move, by) => put(move, { dry: { note, by } }),
      ),
    );
  fields.push(
    text(`kind.pause.${name}.note`, t("plan-pauseNote"), note, (move, said) => {
      if ("product" in pause) put(move, { product: { ...pause.product, note: said } });
      else if ("dry" in pause) put(move, { dry: { ...pause.dry, note: said } });
      else put(move, { look: { ...pause.look, note: said } });
    }),
  );
  return fields;
}
