import { eventBefore, eventStep, type EventEntry, type EventSetup } from "@wide-quilt/core";
import { describe, expect, it } from "vitest";
import { guestStep, type Guest } from "./step.ts";

const SETUP: EventSetup = {
  name: "Open day",
  patterns: [{ id: "two", name: "Two", shots: 2 }],
  ...{ copies: 1, most: 3, review: true, printers: ["folder"], roll: null, until: null },
  ...{ behind: null, folder: null, camera: true, telephones: false },
};
const after = (...entries: EventEntry[]) =>
  entries.reduce((state, entry, i) => eventStep(state, entry, i).state, eventBefore(SETUP));
const shot = (photo: string): EventEntry => ({ do: "shot", photo, name: photo, party: "booth" });
const REST: Guest = { at: "rest" };

describe("the guests’ page", () => {
  it("goes from rest to the camera, to the look, to the thanks", () => {
    expect(guestStep(REST, after())).toEqual({ shows: "rest" });
    expect(guestStep({ at: "posing" }, after())).toMatchObject({ shows: "posing", place: 1, of: 2 });
    expect(guestStep({ at: "posing" }, after(shot("a")))).toMatchObject({ shows: "posing", place: 2, of: 2 });
    const shown = after(shot("a"), shot("b"));
    expect(guestStep({ at: "posing" }, shown)).toMatchObject({ shows: "looking" });
    const accepted = after(shot("a"), shot("b"), { do: "accept", set: 1, copies: 1 });
    expect(guestStep({ at: "done", set: 1 }, accepted)).toMatchObject({ shows: "done", before: 0 });
  });

  it("is at the same step after a reload: at the shot that is missing, or the look", () => {
    expect(guestStep(REST, after(shot("a")))).toMatchObject({ shows: "posing", place: 2 });
    expect(guestStep(REST, after(shot("a"), shot("b")))).toMatchObject({ shows: "looking" });
    const retaken = after(shot("a"), shot("b"), { do: "retake", set: 1, place: 1 });
    expect(guestStep(REST, retaken)).toMatchObject({ shows: "posing", place: 1 });
  });

  it("shows the shots of a camera of its own as they come, and asks for none", () => {
    const own = { ...eventBefore({ ...SETUP, camera: false }) };
    const { state } = eventStep(own, shot("a"), 0);
    expect(guestStep(REST, own)).toEqual({ shows: "rest" });
    expect(guestStep(REST, state)).toEqual({ shows: "filling", set: state.sets[0] });
  });

  it("is closed once the event has ended, whatever the guests did", () => {
    expect(guestStep({ at: "posing" }, after(shot("a"), { do: "end" }))).toEqual({ shows: "closed" });
  });
});
