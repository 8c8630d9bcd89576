import { FOLDER_LANE, type EventEntry, type EventState, type Printer } from "@wide-quilt/core";
import type { EventAbout } from "@wide-quilt/server/contract";

/** Something that waits for the operator: what happened, and what can be done. */
export interface ToDo {
  key: string;
  level: "wrong" | "look";
  head: string;
  text: string;
  acts: { label: string; main?: boolean; entry?: EventEntry; old?: true }[];
}

/** Hours of room on the disk at which one is warned. */
const LOW = 2;

/** Everything that waits for the operator, the worst first. */
export function toDo(state: EventState, about: EventAbout, printers: readonly Printer[]): ToDo[] {
  const nameOf = (id: string | null) =>
    id === FOLDER_LANE ? "The folder" : (printers.find((one) => one.id === id)?.name ?? id ?? "");
  const doubts = state.prints
    .filter(({ state: is }) => is === "doubt")
    .map(({ number, set, printer }): ToDo => {
      return {
        key: `doubt ${number}`,
        level: "look",
        head: `${nameOf(printer)} lost set ${set} half-way.`,
        text: "Look into its tray. Did the whole sheet come out?",
        acts: [
          { label: "Yes, go on", entry: { do: "answer", print: number, cameOut: true } },
          { label: "No, print it again", main: true, entry: { do: "answer", print: number, cameOut: false } },
        ],
      };
    });
  const failed = state.prints
    .filter(({ state: is }) => is === "failed")
    .map(({ number, set, printer, why }): ToDo => {
      return {
        key: `failed ${number}`,
        level: "wrong",
        head: `Set ${set} was not printed at ${nameOf(printer)}.`,
        text: why ?? "",
        acts: [{ label: "Try it again", main: true, entry: { do: "try again", print: number } }],
      };
    });
  const waits = Object.entries(about.waits).map(([printer, why]): ToDo => {
    return { key: `waits ${printer}`, level: "look", head: nameOf(printer), text: why, acts: [] };
  });
  const rolls = state.printers
    .filter(({ left }) => left !== null && left <= 0)
    .map(({ id }): ToDo => {
      return {
        key: `roll ${id}`,
        level: "wrong",
        head: `The roll of ${nameOf(id)} is used up.`,
        text: "Put a new one in. What waits goes on at once.",
        acts: [
          {
            label: "A new roll is in",
            main: true,
            entry: { do: "roll", printer: id, left: state.setup.roll ?? 700 },
          },
        ],
      };
    });
  return [...doubts, ...failed, ...waits, ...rolls, ...ofIntake(about)];
}

function ofIntake({ folder, disk, refused, raws }: EventAbout): ToDo[] {
  const found: ToDo[] = [];
  if (folder?.fault)
    found.push({ key: "fault", level: "wrong", head: "The folder", text: folder.fault, acts: [] });
  if (folder && folder.before > 0)
    found.push({
      key: "before",
      level: "look",
      head: `${folder.before} ${folder.before === 1 ? "photo" : "photos"} lay in the folder before.`,
      text: "They stay out, unless they are of this event.",
      acts: [{ label: "Take them in too", old: true }],
    });
  if (disk.hours !== null && disk.hours < LOW)
    found.push({
      key: "disk",
      level: disk.hours < 1 ? "wrong" : "look",
      head: `The disk is full in about ${disk.hours < 1 ? "less than an hour" : "an hour"}.`,
      text: "Make room on it. Before it is full no more photos are taken in; what was taken in still prints.",
      acts: [],
    });
  if (raws > 0)
    found.push({
      key: "raws",
      level: "look",
      head: raws === 1 ? "A RAW file came." : `${raws} RAW files came.`,
      text: "The picture that the camera put into it is printed, not what its sensor saw. Have the camera write JPEG for finer prints.",
      acts: [],
    });
  for (const { name, why } of refused.slice(-2).reverse())
    found.push({ key: `refused ${name} ${why}`, level: "look", head: name, text: why, acts: [] });
  return found;
}
