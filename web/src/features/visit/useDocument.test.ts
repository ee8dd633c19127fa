import "fake-indexeddb/auto";
import type { Saved } from "@/api";
import { isEqual } from "lodash-es";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { createPinia, setActivePinia } from "pinia";
import { effectScope, nextTick, ref } from "vue";
import { documentKey } from "./held";
import { keepEdits, keepSteps, keptBy } from "./journal";
import { sendKept } from "./sendKept";
import { sendEdit, useDocument } from "./useDocument";

interface Note {
  note: string;
  other: string;
}

const EMPTY: Note = { note: "", other: "" };
const ID = "0190aaaa-0000-7000-8000-000000000001";
const WREN = "0190aaaa-0000-7000-8000-0000000000aa";
const IVO = "0190aaaa-0000-7000-8000-0000000000bb";

function version(version: number, body: Note, saved_by = "Ivo"): Saved<Note> {
  return { version, body, saved_by, saved_at: "2026-01-01T00:00:00Z", stage: "talk" };
}

function answer(status: number, body: unknown) {
  return new Response(JSON.stringify(body), { status, headers: { "content-type": "application/json" } });
}

const conflictWith = (current: unknown) =>
  answer(409, { code: "conflict", status: 409, detail: "", message: { id: "error-conflict" }, fields: [], current });

interface Sent {
  key: string;
  person: string;
  operations: { path: string[]; before: unknown; value: unknown }[];
}

/** The locks of a browser: first come, first served. */
function locksOfDevice(): Pick<LockManager, "request"> {
  const last = new Map<string, Promise<unknown>>();
  return {
    request: async (name: string, options: LockOptions, act: (lock: Lock | null) => Promise<unknown>) => {
      if (options.ifAvailable && last.has(name)) return act(null);
      const turn = (last.get(name) ?? Promise.resolve()).then(() => {
        options.signal?.throwIfAborted();
        return act({ name, mode: "exclusive" });
      });
      const over = turn.catch(() => undefined).then(() => void (last.get(name) === over && last.delete(name)));
      last.set(name, over);
      return turn;
    },
  } as Pick<LockManager, "request">;
}

describe("a document that is edited", () => {
  const fetched = vi.fn<(request: Request) => Promise<Response>>();
  let scope = effectScope();
  let sent: Sent[] = [];

  async function open(saved: Saved<Note> | undefined, { editable = true, person = WREN } = {}) {
    const known = ref(saved);
    const page = scope.run(() => useDocument<Note>(person, ID, "talk", () => known.value, EMPTY, { editable }))!;
    await page.ready;
    return { ...page, hear: (now: Saved<Note>) => (known.value = now) };
  }

  /** A server that carries out edits on what it has. */
  function serves(from: Saved<Note>) {
    let now = from;
    fetched.mockImplementation(async (request) => {
      const edit = (await request.json()) as Sent;
      const before = sent.find(({ key }) => key === edit.key);
      sent.push(edit);
      if (before) return isEqual(before.operations, edit.operations) ? answer(200, now) : conflictWith(now);
      const clash = edit.operations.some(({ path, before }) => now.body[path[0] as keyof Note] !== before);
      if (clash) return conflictWith(now);
      const changed = Object.fromEntries(edit.operations.map(({ path, value }) => [path[0], value]));
      now = version(now.version + 1, { ...now.body, ...changed });
      return answer(200, now);
    });
    return {
      change: (body: Partial<Note>) => (now = version(now.version + 1, { ...now.body, ...body })),
      now: () => now,
    };
  }

  /** Lets time pass and what the device writes settle: its store answers by real timers. */
  async function rest(ms = 1000) {
    for (let passed = 0; passed < ms; passed += 100) {
      await nextTick();
      await vi.advanceTimersByTimeAsync(100);
      await new Promise((done) => setImmediate(done));
    }
  }

  beforeEach(async () => {
    setActivePinia(createPinia());
    vi.useFakeTimers({ toFake: ["setTimeout", "clearTimeout", "Date"] });
    vi.stubGlobal("fetch", fetched);
    Object.defineProperty(navigator, "locks", { value: locksOfDevice(), configurable: true });
    fetched.mockReset();
    sent = [];
    for (const person of [WREN, IVO]) {
      await keepEdits(
        [],
        (await keptBy(person)).map(({ key }) => key),
      );
      await keepSteps(documentKey(person, ID, "talk"), { done: [], undone: [] });
    }
    scope = effectScope();
  });

  afterEach(() => {
    scope.stop();
    vi.useRealTimers();
    vi.unstubAllGlobals();
    Reflect.deleteProperty(navigator, "locks");
  });

  it("is saved once typing rests, figure by figure, and nothing is left on the device", async () => {
    serves(version(3, { note: "a", other: "" }));
    const page = await open(version(3, { note: "a", other: "" }));
    page.draft.value.note = "ab";
    await nextTick();
    page.draft.value.note = "abc";
    await nextTick();
    expect(page.state.value).toBe("editing");
    await rest();
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject({ person: WREN, operations: [{ path: ["note"], before: "a", value: "abc" }] });
    expect([page.state.value, page.version.value]).toEqual(["saved", 4]);
    expect(await keptBy(WREN)).toEqual([]);
  });

  it("is kept here while the server is away, and saved when the page is opened again", async () => {
    fetched.mockRejectedValue(new TypeError("refused"));
    const page = await open(undefined);
    page.draft.value.note = "kept";
    await rest();
    expect(page.state.value).toBe("unreachable");
    page.draft.value.other = "typed later";
    await rest();
    scope.stop();
    await rest();

    scope = effectScope();
    serves(version(0, EMPTY));
    const again = await open(undefined);
    expect(again.draft.value).toEqual({ note: "kept", other: "typed later" });
    await rest(3000);
    expect([again.state.value, again.version.value]).toEqual(["saved", 2]);
    expect(await keptBy(WREN)).toEqual([]);
  });

  /** An answer that is lost used to leave it open whether the edit had landed. */
  it("is sent under the same key until it is known to have landed", async () => {
    const server = serves(version(3, EMPTY));
    const whole = fetched.getMockImplementation()!;
    fetched.mockImplementationOnce(async (request) => {
      await whole(request);
      server.change({ note: "changed since by somebody else" });
      throw new TypeError("the line broke");
    });
    const page = await open(version(3, EMPTY));
    page.draft.value.note = "mine";
    await rest();
    expect(page.state.value).toBe("unreachable");
    await rest(3000);
    expect(sent.map(({ key }) => key)).toEqual([sent[0]!.key, sent[0]!.key]);
    expect([page.state.value, page.draft.value.note]).toEqual(["saved", "changed since by somebody else"]);
  });

  it("merges with what somebody else saved meanwhile, without asking", async () => {
    const server = serves(version(4, EMPTY));
    const page = await open(version(4, EMPTY));
    server.change({ other: "theirs" });
    page.draft.value.note = "mine";
    await rest();
    expect([page.state.value, page.conflict.value]).toEqual(["saved", undefined]);
    expect(page.draft.value).toEqual({ note: "mine", other: "theirs" });
  });

  it("shows what another screen saved, and taking back an edit leaves that alone", async () => {
    const server = serves(version(4, EMPTY));
    const page = await open(version(4, EMPTY));
    page.draft.value.note = "mine";
    await rest();
    page.hear(server.change({ other: "theirs" }));
    await rest();
    expect(page.draft.value).toEqual({ note: "mine", other: "theirs" });
    page.undo();
    expect(page.draft.value).toEqual({ note: "", other: "theirs" });
    page.redo();
    expect(page.draft.value).toEqual({ note: "mine", other: "theirs" });
  });

  it("asks only for the figure that both changed", async () => {
    const server = serves(version(4, { note: "a", other: "" }));
    const page = await open(version(4, { note: "a", other: "" }));
    server.change({ note: "theirs", other: "theirs too" });
    page.draft.value.note = "mine";
    await rest();
    expect(page.state.value).toBe("conflict");
    expect(page.conflict.value!.clashes.map(({ path }) => path)).toEqual([["note"]]);
    expect((await keptBy(WREN)).flatMap(({ operations }) => operations)).toMatchObject([{ value: "mine" }]);

    page.resolve(page.conflict.value!.clashes);
    await rest();
    expect([page.state.value, page.version.value]).toEqual(["saved", 6]);
    expect(server.now().body).toEqual({ note: "mine", other: "theirs too" });
    expect(await keptBy(WREN)).toEqual([]);
  });

  it("takes theirs where nothing of mine is chosen", async () => {
    const server = serves(version(4, EMPTY));
    const page = await open(version(4, EMPTY));
    server.change({ note: "theirs" });
    page.draft.value.note = "mine";
    page.draft.value.other = "mine, too";
    await rest();
    page.resolve([]);
    await rest();
    expect(server.now().body).toEqual({ note: "theirs", other: "mine, too" });
    expect(page.draft.value).toEqual(server.now().body);
  });

  it("asks nothing when the other version says the same", async () => {
    const server = serves(version(4, EMPTY));
    const page = await open(version(4, EMPTY));
    page.draft.value.note = "same";
    page.hear(server.change({ note: "same" }));
    await rest();
    expect([page.state.value, page.version.value]).toEqual(["saved", 5]);
  });

  it("says faults at their fields and keeps what was typed", async () => {
    const fields = [{ field: "document.note", message: { id: "fault-missing" }, problem: { kind: "missing" } }];
    fetched.mockResolvedValueOnce(answer(422, { code: "fields", status: 422, detail: "", fields }));
    const page = await open(undefined);
    page.draft.value.note = "x".repeat(9);
    await rest();
    expect(page.state.value).toBe("faulty");
    expect(page.faultAt("note")).toBe("is needed");
    expect(JSON.stringify(await keptBy(WREN))).toContain("xxxxxxxxx");
  });

  it("takes back the newest edit even if it was made this instant, and does it again", async () => {
    serves(version(3, { note: "a", other: "" }));
    const page = await open(version(3, { note: "a", other: "" }));
    page.draft.value.note = "ab";
    await rest();
    page.draft.value.note = "abc";
    await nextTick();
    page.undo();
    expect(page.draft.value.note).toBe("ab");
    await rest();
    page.redo();
    expect(page.draft.value.note).toBe("abc");
    page.undo();
    page.undo();
    expect([page.draft.value.note, page.canUndo.value, page.canRedo.value]).toEqual(["a", false, true]);
  });

  it("can be taken back, and done again, by a page that was loaded anew", async () => {
    serves(version(3, { note: "a", other: "" }));
    const page = await open(version(3, { note: "a", other: "" }));
    for (const note of ["ab", "abc"]) {
      page.draft.value.note = note;
      await rest();
    }
    page.undo();
    await rest();
    scope.stop();
    await rest();

    scope = effectScope();
    const again = await open(version(6, { note: "ab", other: "" }));
    expect([again.canUndo.value, again.canRedo.value]).toEqual([true, true]);
    again.redo();
    expect(again.draft.value.note).toBe("abc");
    again.undo();
    again.undo();
    expect([again.draft.value.note, again.canUndo.value]).toEqual(["a", false]);
    await rest();
    const theirs = await open(version(7, { note: "a", other: "" }), { person: IVO });
    expect(theirs.canRedo.value).toBe(false);
  });

  it("says no fault of a figure that was put back before the refusal came", async () => {
    let refuse: (response: Response) => void = () => undefined;
    fetched.mockReturnValueOnce(new Promise((done) => (refuse = done)));
    const page = await open(version(1, { note: "a", other: "" }));
    page.draft.value.note = "wrong";
    await rest();
    page.draft.value.note = "a";
    await rest();
    const fields = [{ field: "document.note", message: { id: "error-length" } }];
    refuse(answer(422, { code: "fields", status: 422, detail: "", fields }));
    await rest();
    expect([page.state.value, page.faultAt("note")]).toEqual(["saved", undefined]);
  });

  it("sends nothing for a person who only reads", async () => {
    const page = await open(version(1, EMPTY), { editable: false });
    page.draft.value.note = "x";
    await rest();
    expect(fetched).not.toHaveBeenCalled();
  });

  it("is never handed over by somebody else on the same device", async () => {
    fetched.mockRejectedValue(new TypeError("refused"));
    const mine = await open(version(1, EMPTY));
    mine.draft.value.note = "Wren's";
    await rest();
    scope.stop();
    await rest();

    scope = effectScope();
    const server = serves(version(1, EMPTY));
    const theirs = await open(version(1, EMPTY), { person: IVO });
    await sendKept(IVO);
    await rest(3000);
    expect([theirs.draft.value, sent, server.now().version]).toEqual([EMPTY, [], 1]);
    scope.stop();

    await sendKept(WREN);
    expect(sent.map(({ person }) => person)).toEqual([WREN]);
    expect([server.now().body.note, await keptBy(WREN)]).toEqual(["Wren's", []]);
  });

  it("is handed over by no other page while this one is making it", async () => {
    const server = serves(version(1, EMPTY));
    const page = await open(version(1, EMPTY));
    page.draft.value.note = "first";
    await rest(300);
    expect(await keptBy(WREN)).toHaveLength(1);
    await sendKept(WREN);
    expect(sent).toEqual([]);
    page.draft.value.other = "then";
    await rest();
    expect([sent.length, server.now().body]).toEqual([1, { note: "first", other: "then" }]);
  });

  it("is taken up by a second page once the first that made it is gone, beside what that one makes", async () => {
    fetched.mockRejectedValue(new TypeError("refused"));
    const first = await open(version(1, EMPTY));
    const other = effectScope();
    const known = ref(version(1, EMPTY));
    const second = other.run(() => useDocument<Note>(WREN, ID, "talk", () => known.value, EMPTY, { editable: true }))!;
    first.draft.value.note = "made by the first";
    await rest();
    second.draft.value.other = "made by the second";
    await rest();
    expect(second.draft.value.note).toBe("");
    const server = serves(version(1, EMPTY));
    scope.stop();
    await second.ready;
    expect(second.draft.value).toEqual({ note: "made by the first", other: "made by the second" });
    await rest(3000);
    expect(server.now().body).toEqual(second.draft.value);
    expect(await keptBy(WREN)).toEqual([]);
    other.stop();
  });

  it("loses nothing where half of it was sent under its key, by a page that knew no locks", async () => {
    const server = serves(version(1, EMPTY));
    const page = await open(version(1, EMPTY));
    page.draft.value.note = "first";
    await rest(300);
    await sendEdit((await keptBy(WREN))[0]!);
    page.draft.value.other = "then";
    await rest(3000);
    expect([page.state.value, page.draft.value]).toEqual(["saved", { note: "first", other: "then" }]);
    expect(server.now().body).toEqual(page.draft.value);
  });

  it("gets a part back that taking back emptied, for whoever writes into it", async () => {
    const parts = { zones: {} as { [zone: string]: { length: number } } };
    const page = scope.run(() =>
      useDocument<typeof parts>(WREN, ID, "read", () => undefined, parts, { editable: true }),
    )!;
    page.draft.value.zones.top = { length: 20 };
    await nextTick();
    page.undo();
    expect(page.draft.value).toEqual({ zones: {} });
  });

  it("says so when the device can't keep it", async () => {
    fetched.mockRejectedValue(new TypeError("refused"));
    const page = await open(version(1, EMPTY));
    const full = vi.spyOn(IDBObjectStore.prototype, "put").mockImplementation(() => {
      throw new DOMException("full", "QuotaExceededError");
    });
    page.draft.value.note = "too much";
    await rest();
    expect(page.kept.value).toBe(false);
    full.mockRestore();
    page.draft.value.note = "less";
    await rest();
    expect(page.kept.value).toBe(true);
  });
});
