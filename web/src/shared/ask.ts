/** Questions to the core, by name. */
import {
  body,
  client,
  type Aim,
  type CsvReading,
  type CurlPicture,
  type Doubt,
  type CsvTable,
  type Cut,
  type FallAnswer,
  type FallRequest,
  type FringeWish,
  type Figure,
  type HairCount,
  type HairNow,
  type HairRequest,
  type HeldState,
  type JudgeAnswer,
  type LengthUnit,
  type LocksRequest,
  type MarkSheet,
  type Methods,
  type PartedRequest,
  type PartedSection,
  type Patch,
  type PlanAnswer,
  type PlanRequest,
  type RawReading,
  type ReadingSummary,
  type RuleSettings,
  type SectionPicture,
  type SinceLast,
  type StepBrings,
  type StepMarks,
  type StrandLines,
  type Talk,
  type TalkCaution,
  type TakeRequest,
  type Taken,
  type WhatIf,
  type WhatIfRequest,
  type WishRequest,
  type WornStyle,
} from "@/api";
import type { Asking } from "./useComputed";

/** What a question goes with: the view that asks, whose newest question ends the one before, and until when it waits. */
const as = ({ view, signal }: Asking = {}) => ({
  ...(signal && { signal }),
  ...(view && { headers: { "Spirel-View": view } }),
});

export const askFigure = (head: HairRequest, asking?: Asking): Promise<Figure> =>
  body(client.POST("/api/compute/figure", { ...as(asking), body: head }));

/** What the talk asks to be careful about. */
export const askTalk = (talk: Talk, asking?: Asking): Promise<TalkCaution[]> =>
  body(client.POST("/api/compute/talk", { ...as(asking), body: talk }));

export const askSummary = (reading: RawReading, asking?: Asking): Promise<ReadingSummary> =>
  body(client.POST("/api/compute/summary", { ...as(asking), body: reading }));

export const askMarks = (
  question: {
    reading: RawReading;
    aim: Aim;
    worn: WornStyle;
    front_straight: boolean;
    fringe: FringeWish;
    unit: LengthUnit;
  },
  asking?: Asking,
): Promise<MarkSheet> => body(client.POST("/api/compute/marks", { ...as(asking), body: question }));

export const askStrand = (
  question: {
    reading: RawReading;
    patch: Patch;
    fibre_mm: number;
    state: HeldState;
    worn: WornStyle;
  },
  asking?: Asking,
): Promise<StrandLines> => body(client.POST("/api/compute/strand", { ...as(asking), body: question }));

/** The sections that have names, as they lie on a head. */
export const askSections = (head: HairRequest, asking?: Asking): Promise<SectionPicture[]> =>
  body(client.POST("/api/compute/sections", { ...as(asking), body: head }));

/** A section with the ends of its partings; where one is moved, what becomes of it. */
export const askParted = (question: PartedRequest, asking?: Asking): Promise<PartedSection> =>
  body(client.POST("/api/compute/parted", { ...as(asking), body: question }));

/** What is not measured, by how much it may change the hair as it is drawn. */
export const askDoubts = (head: HairRequest, asking?: Asking): Promise<Doubt[]> =>
  body(client.POST("/api/compute/doubts", { ...as(asking), body: head }));

/** The locks of hair as it is, is wished or is after a plan's cut: as they come, for they are read where they are painted. */
export const askLocks = (question: LocksRequest, asking?: Asking): Promise<Blob> =>
  body(client.POST("/api/compute/locks", { ...as(asking), body: question, parseAs: "blob" }));

export const askFall = (question: FallRequest, asking?: Asking): Promise<FallAnswer> =>
  body(client.POST("/api/compute/fall", { ...as(asking), body: question }));

/** What a plan is objected to for: how surely, by which steps, and what would cure it. */
export const askJudge = (question: FallRequest, asking?: Asking): Promise<JudgeAnswer> =>
  body(client.POST("/api/compute/judge", { ...as(asking), body: question }));

/** Plans for a head and its wishes, the best first. */
export const askPlan = (question: PlanRequest, asking?: Asking): Promise<PlanAnswer> =>
  body(client.POST("/api/compute/plan", { ...as(asking), body: question }));

/** What each step of a plan brings. */
export const askBrings = (question: FallRequest, asking?: Asking): Promise<StepBrings[]> =>
  body(client.POST("/api/compute/brings", { ...as(asking), body: question }));

/** What if one figure of a step were another. */
export const askWhatIf = (question: WhatIfRequest, asking?: Asking): Promise<WhatIf[]> =>
  body(client.POST("/api/compute/what-if", { ...as(asking), body: question }));

/** An aim with a wish in plain words made into targets. */
export const askWish = (question: WishRequest, asking?: Asking): Promise<Aim> =>
  body(client.POST("/api/compute/wish", { ...as(asking), body: question }));

/** The marks of a plan's own steps. */
export const askStepMarks = (question: FallRequest, asking?: Asking): Promise<StepMarks[]> =>
  body(client.POST("/api/compute/step-marks", { ...as(asking), body: question }));

/** The thresholds that the house has set for what is found about a plan. */
export const askThresholds = (): Promise<NonNullable<FallRequest["thresholds"]>> =>
  body(client.GET("/api/house/thresholds"));

/** The planner's rules that the house has switched off, and the sides it takes. */
export const askHouseRules = (): Promise<RuleSettings> => body(client.GET("/api/house/rules"));

/** Every way of working, and every rule. */
export const askMethods = (): Promise<Methods> => body(client.GET("/api/methods"));

/** The hair as it is, and how well it agrees with what was measured of it as a whole. */
export const askNow = (question: HairRequest, asking?: Asking): Promise<HairNow> =>
  body(client.POST("/api/compute/now", { ...as(asking), body: question }));

/** The plan as a scene, binary glTF. */
export const askScene = (question: FallRequest, asking?: Asking): Promise<ArrayBuffer> =>
  body(client.POST("/api/compute/scene", { ...as(asking), body: question, parseAs: "arrayBuffer" }));

/** The outlines before and after, SVG. */
export const askOutlines = (question: FallRequest): Promise<string> =>
  body(client.POST("/api/compute/outlines", { body: question, parseAs: "text" }));

/** Hairs on a square centimetre, counted on a picture of one. */
export const askCount = (picture: Blob, side_mm = 10): Promise<HairCount> =>
  body(
    client.POST("/api/compute/count", {
      params: { query: { side_mm } },
      headers: { "Content-Type": "image/png" },
      body: picture as never,
      bodySerializer: (sent: unknown) => sent as Blob,
    }),
  );

/** What a value that an instrument sent says of the zone the hand is at. */
export const askTake = (question: TakeRequest): Promise<Taken> =>
  body(client.POST("/api/compute/instrument", { body: question }));

/** What a table gives for a reading. */
export const askCsv = (table: CsvTable): Promise<CsvReading> => body(client.POST("/api/compute/csv", { body: table }));

/** A strand of every word for curl. */
export const askCurls = (): Promise<CurlPicture[]> => body(client.GET("/api/curls"));

/** How the hair has changed since the client's last reading. */
export const askSinceLast = (id: string): Promise<SinceLast> =>
  body(client.GET("/api/visits/{id}/since-last", { params: { path: { id } } }));

export const askCuts = (): Promise<{ key: string; cut: Cut }[]> => body(client.GET("/api/cuts"));
