/** Questions to the core, by name. */
import {
  body,
  client,
  type Aim,
  type Cut,
  type FallAnswer,
  type FallRequest,
  type Figure,
  type HairCount,
  type HeldState,
  type LengthUnit,
  type MarkSheet,
  type RawMeasures,
  type RawReading,
  type RawZoneReading,
  type ReadingSummary,
  type StrandLines,
  type WornStyle,
} from "@/api";

export const askFigure = (measures: RawMeasures): Promise<Figure> =>
  body(client.POST("/api/compute/figure", { body: measures }));

export const askSummary = (reading: RawReading): Promise<ReadingSummary> =>
  body(client.POST("/api/compute/summary", { body: reading }));

export const askMarks = (question: {
  reading: RawReading;
  aim: Aim;
  worn: WornStyle;
  unit: LengthUnit;
}): Promise<MarkSheet> => body(client.POST("/api/compute/marks", { body: question }));

export const askStrand = (question: {
  reading: RawZoneReading;
  fibre_mm: number;
  state: HeldState;
  worn: WornStyle;
}): Promise<StrandLines> => body(client.POST("/api/compute/strand", { body: question }));

export const askFall = (question: FallRequest): Promise<FallAnswer> =>
  body(client.POST("/api/compute/fall", { body: question }));

/** The plan as a scene, binary glTF. */
export const askScene = (question: FallRequest): Promise<ArrayBuffer> =>
  body(client.POST("/api/compute/scene", { body: question, parseAs: "arrayBuffer" }));

/** The outlines before and after, SVG. */
export const askOutlines = (question: FallRequest): Promise<string> =>
  body(client.POST("/api/compute/outlines", { body: question, parseAs: "text" }));

/** Hairs on a square centimetre, counted on a picture of one. */
export const askCount = (picture: Blob): Promise<HairCount> =>
  body(
    client.POST("/api/compute/count", {
      headers: { "Content-Type": "image/png" },
      body: picture as never,
      bodySerializer: (sent: unknown) => sent as Blob,
    }),
  );

export const askCuts = (): Promise<{ key: string; cut: Cut }[]> => body(client.GET("/api/cuts"));
