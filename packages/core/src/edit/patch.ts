/**
 * What lies between two values of plain data, as small as can be found in one pass: kept as a step that can be undone,
 * and sent to whoever has the value before.
 *
 *     value set, added or taken out   { at: ["ticket", "gap"], from: 2000, to: 3000 }
 *     items taken out and put in      { at: ["stash"], start: 4, out: [], in: [{ … }] }
 *     one item moved                  { at: ["stash"], move: [0, 7] }
 */
export type Change = SetChange | SpliceChange | MoveChange;
export type Patch = readonly Change[];

type Step = string | number;

interface SetChange {
  at: Step[];
  /** Left out where there was nothing. */
  from?: unknown;
  /** Left out where there is nothing any more. */
  to?: unknown;
}
interface SpliceChange {
  at: Step[];
  start: number;
  out: unknown[];
  in: unknown[];
}
interface MoveChange {
  at: Step[];
  move: [from: number, to: number];
}

/** A patch was made for a value that looks otherwise where it changes something. */
export class PatchFault extends Error {
  override name = "PatchFault";
}

type Values = Record<string, unknown>;

const isObject = (value: unknown): value is Values =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Whether two values of plain data say the same. Parts that are one object are not looked into. */
export function isSame(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (Array.isArray(a)) {
    return Array.isArray(b) && a.length === b.length && a.every((item, i) => isSame(item, b[i]));
  }
  if (!isObject(a) || !isObject(b)) return false;
  const keys = Object.keys(a);
  return (
    keys.length === Object.keys(b).length &&
    keys.every((key) => Object.hasOwn(b, key) && isSame(a[key], b[key]))
  );
}

/** What has to be changed in `before` to get `after`; empty where they say the same. */
export function diff(before: unknown, after: unknown): Change[] {
  const changes: Change[] = [];
  compare(before, after, [], changes);
  return changes;
}

function compare(before: unknown, after: unknown, at: Step[], into: Change[]): void {
  if (before === after) return;
  if (Array.isArray(before) && Array.isArray(after)) return compareLists(before, after, at, into);
  if (!isObject(before) || !isObject(after)) {
    into.push({ at, from: before, to: after });
    return;
  }
  for (const key of Object.keys(before)) {
    if (Object.hasOwn(after, key)) compare(before[key], after[key], [...at, key], into);
    else into.push({ at: [...at, key], from: before[key] });
  }
  for (const key of Object.keys(after)) {
    if (!Object.hasOwn(before, key)) into.push({ at: [...at, key], to: after[key] });
  }
}

function compareLists(before: unknown[], after: unknown[], at: Step[], into: Change[]): void {
  const most = Math.min(before.length, after.length);
  let head = 0;
  while (head < most && isSame(before[head], after[head])) head++;
  let tail = 0;
  while (tail < most - head && isSame(before.at(-1 - tail), after.at(-1 - tail))) tail++;
  const [was, is] = [before.slice(head, before.length - tail), after.slice(head, after.length - tail)];
  if (was.length === 0 && is.length === 0) return;
  if (was.length !== is.length) {
    into.push({ at, start: head, out: was, in: is });
    return;
  }
  const last = head + was.length - 1;
  if (was.length > 1 && isShifted(was, is)) into.push({ at, move: [head, last] });
  else if (was.length > 1 && isShifted(is, was)) into.push({ at, move: [last, head] });
  else for (const [i, item] of was.entries()) compare(item, is[i], [...at, head + i], into);
}

/** Whether the second list is the first with its first item moved to the end. */
const isShifted = (first: unknown[], second: unknown[]): boolean =>
  isSame(first[0], second.at(-1)) && first.slice(1).every((item, i) => isSame(item, second[i]));

/** The patch that takes a patch back. */
export const inverse = (patch: Patch): Change[] => patch.map(turned).reverse();

function turned(change: Change): Change {
  const { at } = change;
  if ("move" in change) return { at, move: [change.move[1], change.move[0]] };
  if ("start" in change) return { at, start: change.start, out: change.in, in: change.out };
  return {
    at,
    ...("to" in change && { from: change.to }),
    ...("from" in change && { to: change.from }),
  };
}

/** The value with a patch put on it; what it does not change stays the same object. Throws PatchFault. */
export const patched = <T>(value: T, patch: Patch): T =>
  patch.reduce<unknown>((now, change) => put(now, change.at, change), value) as T;

function put(value: unknown, at: readonly Step[], change: Change): unknown {
  const [step, ...further] = at;
  if (step === undefined) return changed(value, change);
  if (Array.isArray(value) && typeof step === "number" && step < value.length) {
    return value.with(step, put(value[step], further, change));
  }
  if (!isObject(value) || typeof step !== "string") throw new PatchFault("The patch leads nowhere.");
  const isThere = Object.hasOwn(value, step);
  if (further.length > 0 && !isThere) throw new PatchFault(`There is no “${step}”.`);
  if (further.length === 0 && !("move" in change) && !("start" in change)) {
    if (isThere !== "from" in change) throw new PatchFault(`“${step}” was changed meanwhile.`);
    if (!("to" in change)) {
      return Object.fromEntries(Object.entries(value).filter(([key]) => key !== step));
    }
  }
  return { ...value, [step]: put(isThere ? value[step] : undefined, further, change) };
}

function changed(value: unknown, change: Change): unknown {
  if (!("move" in change) && !("start" in change)) {
    if (!isSame(value, change.from)) throw new PatchFault("This was changed meanwhile.");
    return change.to;
  }
  if (!Array.isArray(value)) throw new PatchFault("There is no list any more.");
  if ("move" in change) {
    const [from, to] = change.move;
    if (Math.max(from, to) >= value.length) throw new PatchFault("The list is shorter by now.");
    return value.toSpliced(from, 1).toSpliced(to, 0, value[from]);
  }
  const { start, out } = change;
  if (!isSame(value.slice(start, start + out.length), out))
    throw new PatchFault("The list is another by now.");
  return value.toSpliced(start, out.length, ...change.in);
}

/** Whether two patches change the same, so that one cannot be taken back without the other. */
export const meets = (a: Patch, b: Patch): boolean =>
  a.some((one) => b.some((other) => meetsAt(one, other) || meetsAt(other, one)));

/** Whether a change lies on the way of another, or moves the items that the other names by their places. */
function meetsAt(one: Change, { at: deep }: Change): boolean {
  const { at } = one;
  if (!at.every((step, i) => step === deep[i])) return false;
  const next = deep[at.length];
  if (typeof next !== "number") return true;
  if ("move" in one) return next >= Math.min(...one.move) && next <= Math.max(...one.move);
  return "start" in one ? next >= one.start : true;
}

/** Two patches, one after the other, made one; where both set the same, what was between is forgotten. */
export function joinedPatch(first: Patch, second: Patch): Change[] {
  const joined: (Change | null)[] = [];
  const settingAt = new Map<string, number>();
  // Where the last change of each depth stands, and the last that is no setting: two that set at one depth and are not
  // the same never meet, so what stands before any other must not be drawn together with what comes after it.
  const lastOfDepth = new Map<number, number>();
  let lastOther = -1;
  for (const change of [...first, ...second]) {
    if (!isSet(change)) {
      lastOther = joined.push(change) - 1;
      continue;
    }
    const [key, depth] = [JSON.stringify(change.at), change.at.length];
    const before = settingAt.get(key);
    const isFree =
      before !== undefined &&
      before > lastOther &&
      [...lastOfDepth].every(([other, at]) => other === depth || at < before);
    const drawn = isFree ? drawnTogether(joined[before] as SetChange, change) : undefined;
    if (drawn === undefined) {
      const at = joined.push(change) - 1;
      settingAt.set(key, at);
      lastOfDepth.set(depth, at);
    } else {
      joined[before!] = drawn;
      if (drawn === null) settingAt.delete(key);
    }
  }
  return joined.filter((change) => change !== null);
}

/** Two settings of the same, one after the other; null where all is as it was. */
function drawnTogether(was: SetChange, is: SetChange): SetChange | null {
  const drawn: SetChange = {
    at: was.at,
    ...("from" in was && { from: was.from }),
    ...("to" in is && { to: is.to }),
  };
  return "from" in drawn === "to" in drawn && isSame(drawn.from, drawn.to) ? null : drawn;
}

const isSet = (change: Change): change is SetChange => !("move" in change) && !("start" in change);
