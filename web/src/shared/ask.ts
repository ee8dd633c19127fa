/** Questions to the core, by name. */
import {
  body,
  client,
  type Aim,
  type CsvReading,
  type CurlPicture,
  type Doubt,
  type CsvTable,
  type Cure,
  type Cut,
  type FallAnswer,
  type FallRequest,
  type FringeWish,
  type Figure,
  type HairCount,
  type HairNow,
  type HairRequest,
  type HeldState,
  type LengthUnit,
  type LocksRequest,
  type MarkSheet,
  type PartedRequest,
  type PartedSection,
  type Patch,
  type RawReading,
  type ReadingSummary,
  type SectionPicture,
  type SinceLast,
  type StrandLines,
  type Talk,
  type TalkCaution,
  type TakeRequest,
  type Taken,
  type WornStyle,
} from "@/api";

export const askFigure = (head: HairRequest): Promise<Figure> =>
  body(client.POST("/api/compute/figure", { body: head }));

/** What the talk asks to be careful about. */
export const askTalk = (talk: Talk): Promise<TalkCaution[]> => body(client.POST("/api/compute/talk", { body: talk }));

export const askSummary = (reading: RawReading): Promise<ReadingSummary> =>
  body(client.POST("/api/compute/summary", { body: reading }));

export const askMarks = (question: {
  reading: RawReading;
  aim: Aim;
  worn: WornStyle;
  front_straight: boolean;
  fringe: FringeWish;
  unit: LengthUnit;
}): Promise<MarkSheet> => body(client.POST("/api/compute/marks", { body: question }));

export const askStrand = (question: {
  reading: RawReading;
  patch: Patch;
  fibre_mm: number;
  state: HeldState;
  worn: WornStyle;
}): Promise<StrandLines> => body(client.POST("/api/compute/strand", { body: question }));

/** The sections that have names, as they lie on a head. */
export const askSections = (head: HairRequest, signal?: AbortSignal): Promise<SectionPicture[]> =>
  body(client.POST("/api/compute/sections", { signal, body: head }));

/** A section with the ends of its partings; where one is moved, what becomes of it. */
export const askParted = (question: PartedRequest): Promise<PartedSection> =>
  body(client.POST("/api/compute/parted", { body: question }));

/** What is not measured, by how much it may change the hair as it is drawn. */
export const askDoubts = (head: HairRequest, signal?: AbortSignal): Promise<Doubt[]> =>
  body(client.POST("/api/compute/doubts", { signal, body: head }));

/** The locks of hair as it is, is wished or is after a plan's cut: as they come, for they are read where they are painted. */
export const askLocks = (question: LocksRequest, signal?: AbortSignal): Promise<Blob> =>
  body(client.POST("/api/compute/locks", { signal, body: question, parseAs: "blob" }));

export const askFall = (question: FallRequest, signal?: AbortSignal): Promise<FallAnswer> =>
  body(client.POST("/api/compute/fall", { signal, body: question }));

/** The least changes that cure what a plan is objected to for. */
export const askCures = (question: FallRequest, signal?: AbortSignal): Promise<Cure[]> =>
  body(client.POST("/api/compute/cures", { signal, body: question }));

/** The hair as it is, and how well it agrees with what was measured of it as a whole. */
export const askNow = (question: HairRequest, signal?: AbortSignal): Promise<HairNow> =>
  body(client.POST("/api/compute/now", { signal, body: question }));

/** The plan as a scene, binary glTF. */
export const askScene = (question: FallRequest, signal?: AbortSignal): Promise<ArrayBuffer> =>
  body(client.POST("/api/compute/scene", { signal, body: question, parseAs: "arrayBuffer" }));

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
