import { plainHeading } from "../../job/stash/index.ts";

/** What a column of a table of positions can be. */
export type PositionColumn =
  "page" | "cell" | "x" | "y" | "right" | "bottom" | "width" | "height" | "tilt" | "unit" | "ppi" | "from";

/** What columns are headed, here and elsewhere, as `plainHeading` writes it. */
const WORDS: Record<PositionColumn, readonly string[]> = {
  page: [
    "page",
    "sheet",
    "seite",
    "blatt",
    "bogen",
    "pagina",
    "feuille",
    "hoja",
    "foglio",
    "sivu",
    "sida",
    "side",
  ],
  cell: [
    ...["cell", "slot", "photo", "place", "window", "image", "picture", "no", "number", "id", "nr"],
    ...["feld", "bild", "foto", "fenster", "platz", "case", "fenetre", "celda", "ventana", "cella", "vak"],
  ],
  x: [
    "x",
    "left",
    "x position",
    "pos x",
    "position x",
    "links",
    "gauche",
    "izquierda",
    "sinistra",
    "offset x",
    "x offset",
  ],
  y: [
    "y",
    "top",
    "y position",
    "pos y",
    "position y",
    "oben",
    "haut",
    "arriba",
    "alto",
    "offset y",
    "y offset",
  ],
  right: ["right", "x2", "rechts", "droite", "derecha", "destra"],
  bottom: ["bottom", "y2", "unten", "bas", "abajo", "basso", "foot"],
  width: ["width", "w", "breite", "largeur", "ancho", "larghezza", "breedte", "bredde", "leveys"],
  height: [
    "height",
    "h",
    "hohe",
    "hoehe",
    "hauteur",
    "altura",
    "altezza",
    "hoogte",
    "hojde",
    "hoyde",
    "korkeus",
  ],
  tilt: [
    "tilt",
    "angle",
    "rotation",
    "rotate",
    "rot",
    "turn",
    "degrees",
    "winkel",
    "drehung",
    "inclinaison",
    "angulo",
    "angolo",
  ],
  unit: ["unit", "units", "einheit", "unite", "unidad", "unita", "eenheid"],
  ppi: ["ppi", "dpi", "resolution", "auflosung", "aufloesung"],
  from: ["from", "corner", "origin", "ursprung", "ecke", "origine", "origen"],
};

/** A heading with its unit, as in “x (mm)”, “Width px” or “left [in]”. */
const WITH_UNIT = /^(?<what>.*?)\s+(?<unit>mm|cm|in|inch|inches|pt|px|pixel|pixels)$/;

/** Which column is which, by place; and the unit that headings name, null where none does. */
export function columnsOf(head: readonly string[]): {
  columns: Partial<Record<PositionColumn, number>>;
  unit: string | null;
} {
  const columns: Partial<Record<PositionColumn, number>> = {};
  let unit: string | null = null;
  head.forEach((heading, at) => {
    const plain = plainHeading(heading);
    const parts = WITH_UNIT.exec(plain)?.groups;
    const what = parts ? parts.what! : plain;
    for (const [column, words] of Object.entries(WORDS) as [PositionColumn, readonly string[]][]) {
      if (columns[column] !== undefined || !words.includes(what)) continue;
      columns[column] = at;
      if (parts) unit ??= parts.unit!;
      break;
    }
  });
  return { columns, unit };
}
