type Values = Record<string, unknown>;

/** How a job of version 6 named things: after their place among the photos, or on their sheets. */
export function named6(job: Values, stash: readonly { id?: unknown }[]): Values {
  const ticket = (job.ticket ?? {}) as Values;
  const perSheet = placesOf(ticket);
  const flows = FLOWING_6.has(String(ticket.kind)) || (ticket.kind === "copies" && ticket.of === "each");
  const isCollage = ticket.kind === "collage";
  const flowing = flows || (isCollage && perSheet === null);
  const cellName = (key: string): string => {
    if (flowing) return /^\d+(-\d+)?$/.test(key) ? `p${key.replace("-", ".")}` : key;
    const number = Number(key);
    if (!isCollage || perSheet === null || !Number.isInteger(number)) return key;
    return `${Math.floor((number - 1) / perSheet) + 1}.${((number - 1) % perSheet) + 1}`;
  };
  const sheetName = (name: unknown) =>
    ticket.kind === "single" && /^\d+$/.test(String(name)) ? `p${String(name)}` : name;
  const isPhoto = (number: number) => (flowing || isCollage) && number <= stash.length;
  const names: Names6 = {
    cell: cellName,
    sheet: sheetName,
    shot: (number) => (isPhoto(number) ? `p${number}` : String(number)),
  };
  const cells = cells6((job.cells ?? {}) as Values, names);
  const shots: Values = {};
  for (const [number, shot] of Object.entries((job.shots ?? {}) as Values)) {
    const { photo, ...sits } = shot as Values;
    const own = stash[Number(number) - 1]?.id;
    const key = cellName(number);
    if (flowing && own !== undefined) shots[`p${number}`] = { photo: photo === own ? null : photo, ...sits };
    else if (isCollage && perSheet !== null && (photo === null || photo === own)) {
      if (own !== undefined) shots[`p${number}`] = { photo: null, ...sits };
    } else {
      shots[number] = shot;
      // A photo that was put in a place of a grid stays there.
      if (isCollage) cells[key] = { ...(cells[key] as Values), shot: number };
    }
  }
  const { order = [], gone = [] } = (job.sheets ?? {}) as { order?: unknown[]; gone?: unknown[] };
  const isGone = ticket.kind === "single" ? gone.map(String) : [];
  for (const number of isGone) cells[`p${number}`] = { ...(cells[`p${number}`] as Values), gone: true };
  return {
    cells,
    shots,
    sheets: { order: order.map(sheetName), gone: ticket.kind === "single" ? [] : gone },
    ticket:
      ticket.kind === "mixed" && Array.isArray(ticket.pieces)
        ? { ...ticket, pieces: ticket.pieces.map((line: Values) => ({ ...line, order: 1 })) }
        : job.ticket,
  };
}

/** Kinds whose cells were the photos in their order. */
const FLOWING_6: ReadonlySet<string> = new Set(["contact", "single"]);

/** Places on a sheet of a collage whose cells are counted; null for one that is made for its photos. */
function placesOf({ kind, way, counts, columns, rows }: Values): number | null {
  if (kind !== "collage") return null;
  if (way === "grid") return Number(columns) * Number(rows);
  return way === "counts" && Array.isArray(counts)
    ? (counts as number[]).reduce((sum, count) => sum + count, 0)
    : null;
}

interface Names6 {
  cell(key: string): string;
  sheet(name: unknown): unknown;
  /** Of a cell that was added by hand: it shows what the cells of its number show. */
  shot(number: number): string;
}

const placed = (place: unknown, { sheet }: Names6): Values => ({
  ...(place as Values),
  sheet: sheet((place as Values).sheet),
});

function cells6(cells: Values, names: Names6): Values {
  return Object.fromEntries(
    Object.entries(cells).map(([key, value]) => {
      const { shot, place, ...own } = value as Values;
      const name = names.cell(key);
      if (key.startsWith("o") && typeof shot === "number") {
        const moved = { ...own, shot: names.shot(shot), place: placed(place, names) };
        return [name, moved];
      }
      // A cell that is named after a photo shows that; its old number said the same.
      const same = name !== key && String(shot) === key.split("-")[0];
      return [
        name,
        {
          ...own,
          ...(shot !== undefined && !same && { shot: String(shot) }),
          ...(place !== undefined && { place: placed(place, names) }),
        },
      ];
    }),
  );
}

/** Graphics and boxes of words by the names that their sheets have. */
export const onSheets7 = (items: unknown, isSingle: boolean): Values =>
  Object.fromEntries(
    Object.entries((items ?? {}) as Values).map(([name, item]) => {
      const { sheet, ...own } = item as Values;
      const of = own.of as Values | undefined;
      return [
        name,
        {
          ...own,
          ...(of?.kind === "photo" && { of: { ...of, order: 1 } }),
          sheet: isSingle && /^\d+$/.test(String(sheet)) ? `p${String(sheet)}` : sheet,
        },
      ];
    }),
  );
