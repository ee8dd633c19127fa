import { landmarkValues } from "@/api";
import { t } from "@/shared/words";

/** Choices with their names: of any list whose names stand under one key. */
export const named = <T extends string>(list: readonly T[], key: string) =>
  list.map((value) => ({ value, label: t(`${key}-${value}`) }));

export const landmarkChoices = () => named(landmarkValues, "landmark");
