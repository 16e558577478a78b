import { expect, test } from "@playwright/test";
import { Refusal, type Sock } from "../api/client";
import type { SockChange } from "../api/socks";
import { type Content, contentOf } from "./content";
import { leftOf, type Saving, saving, type Unsaved } from "./saving";

const sock: Sock = {
  id: "ROOF",
  revision: 1,
  name: "Observatory roof socks",
  wearer: "Isolde",
  notes: "",
  draft: { design: {}, entries: {} },
} as unknown as Sock;

const typed = (length: string): Content => ({
  ...contentOf(sock),
  draft: { design: {}, entries: { "foot.length_mm": length } },
});

/** program keeps a sock as the real one does: it reads texts, and knows what it has. */
function program(
  answers: (request: number) => "answer" | "lost" | "never there" | "disk full" = () => "answer",
) {
  let kept = sock;
  const asked: SockChange[] = [];
  const read = ({ name, draft }: Pick<SockChange, "name" | "draft">) =>
    JSON.stringify([name, { ...draft.design, ...draft.entries }]);
  const save = async (change: SockChange): Promise<Sock> => {
    const way = answers(asked.push(change) - 1);
    if (way === "never there") {
      throw new TypeError("Failed to fetch");
    }
    if (way === "disk full") {
      throw new Refusal({ status: 507, title: "Full", detail: "The disk is full." } as never);
    }
    const same = read(change) === read(kept);
    if (change.revision !== kept.revision && !same) {
      throw new Refusal({ status: 409, title: "Changed elsewhere", current: kept } as never);
    }
    if (!same) {
      const { name, draft } = change;
      kept = {
        ...kept,
        revision: kept.revision + 1,
        name,
        draft: { design: { ...draft.design, ...draft.entries }, entries: {} },
      };
    }
    if (way === "lost") {
      throw new TypeError("Failed to fetch");
    }
    return kept;
  };
  return {
    save,
    asked,
    get kept() {
      return kept;
    },
    length: () => kept.draft.design["foot.length_mm"],
  };
}

/** page is a board of which only saving is there. */
function page(save: (change: SockChange) => Promise<Sock>, begins: Sock = sock, left?: Unsaved) {
  const shown: Saving & { content: Content } = {
    save: left ? "unsaved" : "saved",
    saveFault: undefined,
    conflict: null,
    content: left?.content ?? contentOf(begins),
  };
  let held: Unsaved | undefined = left;
  const states: string[] = [];
  const saver = saving(begins, left, {
    newest: () => ({ content: shown.content, unit: "cm" }),
    state: () => shown.save,
    show: (part) => {
      Object.assign(shown, part);
      states.push(shown.save);
    },
    save,
    hold: (unsaved) => {
      held = unsaved && structuredClone(unsaved);
    },
  });
  return {
    shown,
    states,
    saver,
    held: () => held,
    type(length: string) {
      shown.content = typed(length);
      saver.later();
    },
  };
}

test("what is typed is saved, and leaves nothing on the device", async () => {
  const there = program();
  const { type, shown, held } = page(there.save);
  type("25.1");
  expect(held()).toMatchObject({ revision: 1, unit: "cm" });
  await expect.poll(() => shown.save).toBe("saved");
  expect(there.length()).toBe("25.1");
  expect(held()).toBeUndefined();
});

test("a save whose answer was lost is no conflict, whatever was typed since", async () => {
  const there = program((n) => (n === 0 ? "lost" : "answer"));
  const { type, shown, held } = page(there.save);
  type("25.1");
  await expect.poll(() => there.asked.length).toBe(1);
  type("25.2");
  await expect.poll(() => shown.save).toBe("saved");
  expect(there.asked.map((a) => a.draft.entries["foot.length_mm"])).toEqual(["25.1", "25.1", "25.2"]);
  expect(there.length()).toBe("25.2");
  expect(held()).toBeUndefined();
});

test("without a connection it is tried again after pauses, also when more was typed meanwhile", async () => {
  const there = program(() => "never there");
  const { type, shown, states } = page(there.save);
  type("25.1");
  await expect.poll(() => there.asked.length).toBe(1);
  await expect.poll(() => shown.save).toBe("refused");
  type("25.2");
  await expect.poll(() => there.asked.length).toBeGreaterThan(2);
  await expect.poll(() => shown.save).toBe("refused");
  expect(
    states.filter((s) => s === "unsaved"),
    "only typing has it asked at once",
  ).toHaveLength(2);
});

test("what was undone while its answer was lost is undone in the program too", async () => {
  const there = program((n) => (n === 0 ? "lost" : "answer"));
  const { type, shown, saver, held } = page(there.save);
  type("25.1");
  await expect.poll(() => there.asked.length).toBe(1);
  shown.content = contentOf(sock);
  saver.later();
  expect(held(), "the program may have what was undone").toBeDefined();
  await expect.poll(() => shown.save).toBe("saved");
  expect(there.length()).toBeUndefined();
});

for (const lastWord of ["sent", "typed"] as const) {
  test(`a tab that was closed at once, ${lastWord} the last that its device heard`, async () => {
    const there = program((n) => (n === 0 ? "lost" : "answer"));
    const first = page(there.save);
    first.type("25.1");
    const heldTyping = first.held();
    await expect.poll(() => there.asked.length).toBe(1);
    const unsaved = lastWord === "sent" ? first.held() : heldTyping;
    first.saver.leave();

    const left = leftOf(there.kept, "cm", unsaved);
    const { shown, saver, held } = page(there.save, there.kept, left);
    saver.later();
    await expect.poll(() => shown.save).toBe("saved");
    expect(shown.conflict).toBeNull();
    expect(there.length()).toBe("25.1");
    expect(held()).toBeUndefined();
  });
}

test("what was left and is saved all the same goes off the device", () => {
  let held: Unsaved | undefined = { revision: 1, content: contentOf(sock) };
  expect(leftOf(sock, "cm", held)).toBeUndefined();
  const saver = saving(sock, undefined, {
    newest: () => ({ content: contentOf(sock), unit: "cm" }),
    state: () => "saved",
    show: () => undefined,
    save: program().save,
    hold: (unsaved) => {
      held = unsaved;
    },
  });
  saver.later();
  expect(held).toBeUndefined();
});

test("what somebody else changed is a conflict, and either can be kept", async () => {
  for (const theirs of [true, false]) {
    const there = program();
    const kept = await there.save({
      ...contentOf(sock),
      id: "ROOF",
      revision: 1,
      unit: "cm",
      name: "Theirs",
    });
    const left = leftOf(kept, "cm", { revision: 1, unit: "cm", content: typed("25.1") });
    const { shown, saver } = page(there.save, kept, left);
    saver.later();
    await expect.poll(() => shown.save).toBe("conflict");
    expect(shown.conflict?.name).toBe("Theirs");
    saver.settle(kept, theirs);
    if (theirs) {
      shown.content = contentOf(kept);
    }
    saver.later();
    await expect.poll(() => shown.save).toBe("saved");
    expect(there.length()).toBe(theirs ? undefined : "25.1");
  }
});

test("a disk that was full is asked again by itself", async () => {
  const there = program((n) => (n === 0 ? "disk full" : "answer"));
  const { type, shown } = page(there.save);
  type("25.1");
  await expect.poll(() => shown.save).toBe("refused");
  expect(shown.saveFault?.message).toContain("disk is full");
  await expect.poll(() => shown.save).toBe("saved");
});

test("what was left in another unit keeps the one in which it was typed", () => {
  const left = leftOf(sock, "in", {
    revision: 1,
    unit: "cm",
    content: typed("25.1"),
    sent: { unit: "cm", content: typed("25") },
  });
  expect(left?.content.draft.entries["foot.length_mm"]).toBe("25.1 cm");
  expect(left?.sent).toEqual({ unit: "cm", content: typed("25") });
  // An older page did not say in which unit it had sent.
  const old = { revision: 1, content: typed("25.1"), sent: typed("25") } as unknown as Unsaved;
  expect(leftOf(sock, "in", old)?.sent).toBeUndefined();
});
