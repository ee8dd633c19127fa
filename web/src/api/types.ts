/** Short names for the generated schema. */
import type { components } from "./schema.gen";

type Schemas = components["schemas"];

export type Aim = Schemas["Aim"];
export type AuditEntry = Schemas["AuditEntry"];
export type Client = Schemas["Client"];
export type ClientRow = Schemas["ClientRow"];
export type Comb = Schemas["Comb"];
export type ComingFor = Schemas["ComingFor"];
export type Cut = Schemas["Cut"];
export type Fall = Schemas["Fall"];
export type FallAnswer = Schemas["FallAnswer"];
export type FallRequest = Schemas["FallRequest"];
export type FieldFault = Schemas["FieldFault"];
export type Figure = Schemas["Figure"];
export type FigureZone = Schemas["FigureZone"];
export type Gap = Schemas["Gap"];
export type HeldState = Schemas["HeldState"];
export type LengthUnit = Schemas["LengthUnit"];
export type Mark = Schemas["Mark"];
export type MarkSheet = Schemas["MarkSheet"];
export type Moisture = Schemas["Moisture"];
export type Move = Schemas["Move"];
export type MoveReport = Schemas["MoveReport"];
export type Part = Schemas["Part"];
export type Person = Schemas["Person"];
export type Place = Schemas["Place"];
export type Plan = Schemas["Plan"];
export type Point = Schemas["Point"];
export type ProblemDetails = Schemas["ProblemDetails"];
export type RawMeasures = Schemas["RawMeasures"];
export type RawReading = Schemas["RawReading"];
export type RawZoneReading = Schemas["RawZoneReading"];
export type ReadingSummary = Schemas["ReadingSummary"];
export type Reason = Schemas["Reason"];
export type Role = Schemas["Role"];
export type SectionShape = Schemas["SectionShape"];
export type SheetZone = Schemas["SheetZone"];
export type Stage = Schemas["Stage"];
export type StateMark = Schemas["StateMark"];
export type StrandLines = Schemas["StrandLines"];
export type Talk = Schemas["Talk"];
export type TechniqueKind = Schemas["TechniqueKind"];
export type Visit = Schemas["Visit"];
export type VisitRow = Schemas["VisitRow"];
export type WidthClass = Schemas["WidthClass"];
export type WornStyle = Schemas["WornStyle"];
export type Zone = Schemas["Zone"];
export type ZoneAim = Schemas["ZoneAim"];
export type ZoneMark = Schemas["ZoneMark"];
export type ZoneSummary = Schemas["ZoneSummary"];

/** A saved version, its body in the form of its stage. */
export type Saved<T> = Omit<Schemas["Document"], "body"> & { body: T };
