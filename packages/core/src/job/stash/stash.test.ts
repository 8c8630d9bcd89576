import { describe, expect, it } from "vitest";
import { mm, um } from "../../base/length/index.ts";
import { applyEdit, sayEdit, type JobEdit } from "../../edit/index.ts";
import { withoutPhotos } from "../../edit/pattern/index.ts";
import { freshJob } from "../../kinds/index.ts";
import { readJob, type Job } from "../index.ts";
import { asVersion7 } from "../testing/older.ts";
import { EVERY_PHOTO, isPicked, leavesOut, photosByName, pickedPhotos } from "./index.ts";

const photo = (id: string, more: object = {}) => ({ id, name: `${id}.jpg`, ...more });
const make = (...edits: JobEdit[]): Job =>
  [
    {
      do: "add photos",
      photos: [photo("IMG_10"), photo("IMG_9", { stars: 2 }), photo("b", { folder: "Spit" })],
    } as JobEdit,
    ...edits,
  ].reduce(applyEdit, freshJob("single", "Stash"));
const ids = (job: Job, photos = {}) => pickedPhotos(job, photos).map(({ id }) => id);

describe("which photos are shown", () => {
  it("is all of them in their order, or by name with numbers as numbers", () => {
    expect(ids(make())).toEqual(["IMG_10", "IMG_9", "b"]);
    expect(ids(make({ do: "pick", change: { by: "name" } }))).toEqual(["b", "IMG_9", "IMG_10"]);
    expect(ids(make({ do: "pick", change: { by: "name", down: true } }))).toEqual(["IMG_10", "IMG_9", "b"]);
  });

  it("by the time they were taken, those without a time last", () => {
    const at = (takenAt: string) => ({ width: 3, height: 2, exposure: { takenAt } });
    const photos = { IMG_10: at("2026-10-03T09:00:00"), b: at("2026-10-02T09:00:00") };
    expect(ids(make({ do: "pick", change: { by: "taken" } }), photos)).toEqual(["b", "IMG_10", "IMG_9"]);
  });

  it("by stars, tag and folder, together", () => {
    const job = make(
      { do: "mark photos", photos: ["IMG_10", "b"], change: { stars: 4 } },
      { do: "tag photos", photos: ["b"], tag: "album", on: true },
    );
    expect(ids(applyEdit(job, { do: "pick", change: { stars: 3 } }))).toEqual(["IMG_10", "b"]);
    expect(ids(applyEdit(job, { do: "pick", change: { stars: 3, folder: "" } }))).toEqual(["IMG_10"]);
    expect(ids(applyEdit(job, { do: "pick", change: { tag: "album" } }))).toEqual(["b"]);
    expect(ids(applyEdit(job, { do: "pick", change: { by: "stars" } }))).toEqual(["IMG_10", "b", "IMG_9"]);
    expect([leavesOut(EVERY_PHOTO), leavesOut({ ...EVERY_PHOTO, tag: "x" })]).toEqual([false, true]);
    expect(isPicked(EVERY_PHOTO, { ...photo("x"), number: 1 })).toBe(true);
  });

  it("finds a photo by its name, with or without its ending", () => {
    expect(photosByName(make().stash)(" img_9 ")).toMatchObject({ photo: { id: "IMG_9" }, by: "ending" });
    expect(photosByName(make().stash)("B.JPG")).toMatchObject({ photo: { id: "b" }, by: "capitals" });
    expect(photosByName(make().stash)("b.jpg")?.by).toBe("name");
    // By the last number in its name, where one photo alone has it.
    expect(photosByName(make().stash)("009")).toMatchObject({ photo: { id: "IMG_9" }, by: "number" });
    expect(photosByName([photo("a-7"), photo("b-7")])("7")).toBeUndefined();
    expect(photosByName(make().stash)("c")).toBeUndefined();
  });
});

describe("what is said of photos", () => {
  it("adds a tag once and takes it away again", () => {
    const tagged = make(
      { do: "tag photos", photos: ["b"], tag: "x", on: true },
      { do: "tag photos", photos: ["b", "IMG_9"], tag: "x", on: true },
    );
    expect(tagged.stash.map(({ tags }) => tags)).toEqual([undefined, ["x"], ["x"]]);
    expect(
      applyEdit(tagged, { do: "tag photos", photos: ["b"], tag: "x", on: false }).stash[2]!.tags,
    ).toEqual([]);
  });

  it("stays with the picture when its file is replaced, with what a list says and where it lies behind others", () => {
    const backing = {
      role: "backing" as const,
      of: { kind: "photo" as const, photo: "b", order: 1 },
      width: mm(20),
      at: "middle" as const,
      away: um(0),
      turn: 0,
      tiled: false,
      apart: um(0),
      fit: "fill" as const,
      opacity: 0.3,
      blend: "normal" as const,
      sheet: null,
    };
    const job = make(
      { do: "list", photos: { b: { title: "Tern" } } },
      { do: "graphics", graphics: { g1: backing } },
      { do: "relink photo", photo: "b", to: photo("c") },
    );
    expect(job.stash[2]).toEqual({ id: "c", name: "c.jpg", folder: "Spit", number: 3 });
    expect(job.list).toEqual({ c: { title: "Tern" } });
    expect(job.graphics.g1!.of).toEqual({ kind: "photo", photo: "c", order: 1 });
    expect(readJob(job).ok).toBe(true);
    const gone = applyEdit(job, { do: "remove photos", photos: ["c", "IMG_9"] });
    expect([gone.stash.length, gone.list, gone.graphics]).toEqual([1, {}, {}]);
    expect(withoutPhotos(job)).toMatchObject({
      stash: [],
      list: {},
      // What lies behind is kept, and waits for the photo at the same place.
      graphics: { g1: { of: { photo: null, order: 3 } } },
    });
  });

  it("is said in the words of what is undone", () => {
    expect(sayEdit({ do: "remove photos", photos: ["a", "b"] })).toBe("removing photos");
    expect(sayEdit({ do: "style", change: { border: null, look: null } })).toBe("border and look");
    expect(sayEdit({ do: "wear", worn: { name: "Pale", style: {} } })).toBe("trying “Pale” on");
    expect(sayEdit({ do: "wear", worn: null })).toBe("taking the style off");
    expect(sayEdit({ do: "unstyle", cells: ["1"], parts: ["caption"] })).toBe("words");
  });
});

describe("a job of an older version", () => {
  it("is shown whole and bare, as it was", () => {
    const {
      pick: _p,
      list: _l,
      style: _s,
      worn: _w,
      ground: _g,
      graphics: _gr,
      texts: _t,
      ...old
    } = asVersion7(make());
    const reading = readJob({ ...old, version: 2 });
    expect(reading).toMatchObject({ ok: true });
    if (reading.ok) expect(reading.job).toEqual({ ...make(), crop: "middle" });
  });
});
