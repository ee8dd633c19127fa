import type { Saved } from "@/api";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { createPinia, setActivePinia } from "pinia";
import { effectScope, nextTick } from "vue";
import { keptKey, useDocument } from "./useDocument";

interface Note {
  note: string;
  other: string;
}

const EMPTY: Note = { note: "", other: "" };
const ID = "0190aaaa-0000-7000-8000-000000000001";

function version(version: number, body: Note, saved_by = "Ivo"): Saved<Note> {
  return { version, body, saved_by, saved_at: "2026-01-01T00:00:00Z", stage: "talk" };
}

function answer(status: number, body: unknown) {
  return new Response(JSON.stringify(body), { status, headers: { "content-type": "application/json" } });
}

describe("a document that is edited", () => {
  const fetched = vi.fn<(request: Request) => Promise<Response>>();
  let scope = effectScope();

  function open(saved: Saved<Note> | undefined, editable = true) {
    return scope.run(() => useDocument<Note>(ID, "talk", saved, EMPTY, { editable }))!;
  }

  async function rest() {
    await nextTick();
    await vi.advanceTimersByTimeAsync(1000);
  }

  beforeEach(() => {
    setActivePinia(createPinia());
    vi.useFakeTimers();
    vi.stubGlobal("fetch", fetched);
    localStorage.clear();
    fetched.mockReset();
    scope = effectScope();
  });

  afterEach(() => {
    scope.stop();
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  /** An undo within the time that typing is left to rest used to take back the edit before, and the redo was lost. */
  it("takes back the newest edit even if it was made this instant, and does it again", async () => {
    fetched.mockImplementation(async () => answer(200, version(4, EMPTY)));
    const page = open(version(3, { note: "a", other: "" }));
    page.draft.value.note = "ab";
    await rest();
    page.draft.value.note = "abc";
    await nextTick();
    page.undo();
    expect(page.draft.value.note).toBe("ab");
    await vi.advanceTimersByTimeAsync(300);
    page.redo();
    expect(page.draft.value.note).toBe("abc");
  });

  it("is saved once typing rests, over the version it was made from", async () => {
    fetched.mockImplementation(async (request) => {
      const { base_version, document } = (await request.json()) as { base_version: number; document: Note };
      return answer(200, version(base_version + 1, document));
    });
    const page = open(version(3, { note: "a", other: "" }));
    page.draft.value.note = "ab";
    await nextTick();
    page.draft.value.note = "abc";
    expect(page.state.value).toBe("editing");
    await rest();
    expect(fetched).toHaveBeenCalledTimes(1);
    expect([page.state.value, page.version.value]).toEqual(["saved", 4]);
    expect(localStorage.getItem(keptKey(ID, "talk"))).toBeNull();
  });

  it("is kept here while the server is away, and saved when it is back", async () => {
    fetched.mockRejectedValue(new TypeError("refused"));
    const page = open(undefined);
    page.draft.value.note = "kept";
    await rest();
    expect(page.state.value).toBe("unreachable");
    scope.stop();

    scope = effectScope();
    fetched.mockImplementation(async () => answer(200, version(1, { note: "kept", other: "" })));
    const again = open(undefined);
    expect(again.draft.value.note).toBe("kept");
    await rest();
    expect([again.state.value, again.version.value]).toEqual(["saved", 1]);
  });

  it("puts both versions before the person when somebody saved first", async () => {
    const theirs = version(5, { note: "theirs", other: "theirs too" });
    fetched.mockResolvedValueOnce(
      answer(409, { code: "conflict", status: 409, detail: "", fields: [], current: theirs }),
    );
    const page = open(version(4, { note: "a", other: "" }));
    page.draft.value.note = "mine";
    await rest();
    expect(page.state.value).toBe("conflict");
    expect(page.conflict.value!.differences.map((d) => [d.path[0], d.changedBy])).toEqual([
      ["note", "both"],
      ["other", "them"],
    ]);

    fetched.mockImplementation(async (request) => {
      const sent = (await request.json()) as { base_version: number; document: Note };
      expect(sent).toEqual({ base_version: 5, document: { note: "mine", other: "theirs too" } });
      return answer(200, version(6, sent.document));
    });
    page.resolve([["note"]]);
    await rest();
    expect([page.state.value, page.version.value]).toEqual(["saved", 6]);
    expect(page.draft.value).toEqual({ note: "mine", other: "theirs too" });
  });

  it("asks nothing when the other version says the same", async () => {
    const theirs = version(5, { note: "same", other: "" });
    fetched.mockResolvedValueOnce(
      answer(409, { code: "conflict", status: 409, detail: "", fields: [], current: theirs }),
    );
    const page = open(version(4, EMPTY));
    page.draft.value.note = "same";
    await rest();
    expect([page.state.value, page.version.value]).toEqual(["saved", 5]);
  });

  it("says faults at their fields and keeps what was typed", async () => {
    const fields = [{ field: "document.note", message: { id: "fault-missing" }, problem: { kind: "missing" } }];
    fetched.mockResolvedValueOnce(answer(422, { code: "fields", status: 422, detail: "", fields }));
    const page = open(undefined);
    page.draft.value.note = "x".repeat(9);
    await rest();
    expect(page.state.value).toBe("faulty");
    expect(page.faultAt("note")).toBe("is needed");
    expect(localStorage.getItem(keptKey(ID, "talk"))).toContain("xxxxxxxxx");
  });

  it("takes back and does again", async () => {
    fetched.mockImplementation(async () => answer(200, version(1, EMPTY)));
    const page = open(undefined);
    page.draft.value.note = "one";
    await rest();
    page.undo();
    expect(page.draft.value.note).toBe("");
    page.redo();
    expect(page.draft.value.note).toBe("one");
  });

  it("sends nothing for a person who only reads", async () => {
    const page = open(version(1, EMPTY), false);
    page.draft.value.note = "x";
    await rest();
    expect(fetched).not.toHaveBeenCalled();
  });
});
