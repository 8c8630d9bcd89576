import {
  fitInto,
  fittedBy,
  fittedRect,
  fittedTilted,
  waysToLie,
  type Edges,
  type Fitting,
  type Rect,
} from "../../base/geometry/index.ts";
import { um, type Um } from "../../base/length/index.ts";
import type { Block } from "../../finish/blocks/index.ts";
import type { Type } from "../../finish/words/index.ts";
import { finishedSheet, layoutArea, type Job, type SheetSetup } from "../../job/index.ts";
import { artBox, kindOf, type Bring } from "../../kinds/index.ts";
import { LIMITS, type LengthRange } from "../../schema/index.ts";
import type { Style, StyleChange } from "../../finish/style/index.ts";
import { applyEdit } from "../apply.ts";
import type { MadeFor } from "./madeFor.ts";

/** A job brought to another page, and what came of it. */
export interface Brought {
  job: Job;
  /** How its page lies on the new one. */
  fitting: Fitting;
  /** The whole of its page with its bleed there, and the new page with its own. */
  whole: Rect;
  page: Rect;
  /** Lengths that had to be larger or smaller than they came out, to be printed at all. */
  limited: number;
  /** Whether what would stay bare around it is filled with its edge. */
  filled: boolean;
}

/**
 * The job for another printer, paper and page: everything that was put on its page goes to the same place on the new one,
 * edge by edge, each rounded once.
 *
 *     page + bleed ──fit──▶ page + bleed        cells, words, graphics, shapes, guides: edges
 *                                               letters, gaps, borders: by the smaller of both factors
 *
 * Pieces whose size was asked for (document photos, copies, mixed sizes) keep it, and are laid out anew.
 */
export function bring(master: Job, target: MadeFor): Brought {
  const kind = kindOf(master);
  const next = onPage(master, target);
  const [here, page] = [boxOf(master), boxOf(next)];
  const { fit, most, widened } = target;
  const fitting =
    kind.comesTo(master, here, page, fit, most) ??
    fittedBy({ left: -here.x, top: -here.y, across: 1, down: 1 }, fitInto(here, page, fit, most));
  let limited = 0;
  const kept = (length: number, { least, most: largest }: LengthRange): Um => {
    const inside = Math.min(largest, Math.max(least, Math.round(length)));
    if (inside !== Math.round(length)) limited++;
    return um(inside);
  };
  const by = Math.min(fitting.across, fitting.down);
  // A length of nothing stays nothing: no gap is no matter of scale.
  const length = (own: Um, range: LengthRange) => (own === 0 ? own : kept(own * by, range));
  const change = kind.brought(master, { fitting, fit, most, widened, length } satisfies Bring);
  const scaled = new Scaled(fitting, length, kept);
  return {
    job: {
      ...next,
      ...scaled.onPages(master),
      ...(change && {
        ticket: { ...master.ticket, ...change } as Job["ticket"],
        sheet: { ...next.sheet, margins: marginsOf(master, next, fitting) },
        style: scaled.style(master.style),
        worn: master.worn && { ...master.worn, style: scaled.styles(master.worn.style) },
      }),
      cells: scaled.cells(master, change === null),
    },
    fitting,
    whole: fittedRect(here, fitting),
    page,
    limited,
    filled: change !== null && "art" in change,
  };
}

/** The same on the new page and for the new printer, nothing of it moved yet. */
function onPage(master: Job, { printer, page, onPaper }: MadeFor): Job {
  const made = applyEdit(master, { do: "printer", printer });
  return {
    ...made,
    // A printer that says nothing of bleed leaves it alone; a target says how much, none too.
    target: { ...made.target, bleed: printer.bleed },
    sheet: { ...master.sheet, ...page },
    impose: onPaper ? { ...master.impose, paper: onPaper } : master.impose,
  };
}

const boxOf = (job: Job): Rect => artBox(job, waysToLie(job.sheet, job.sheet.paper)[0]!);

/** Margins that leave what the area inside the old ones comes to, as far as that is on the page. */
function marginsOf(master: Job, { sheet }: Job, fitting: Fitting): SheetSetup["margins"] {
  const area = fittedRect(layoutArea(master.sheet, waysToLie(master.sheet, master.sheet.paper)[0]!), fitting);
  const page = finishedSheet(sheet, waysToLie(sheet, sheet.paper)[0]!);
  const margin = (length: number) => um(Math.min(LIMITS.margin.most, Math.max(0, length)));
  return {
    left: margin(area.x - page.x),
    top: margin(area.y - page.y),
    right: margin(page.x + page.width - area.x - area.width),
    bottom: margin(page.y + page.height - area.y - area.height),
  };
}

/** What was put on pages by hand, and what cells wear, at another size. */
class Scaled {
  constructor(
    private readonly fitting: Fitting,
    private readonly length: Bring["length"],
    private readonly kept: (length: number, range: LengthRange) => Um,
  ) {}

  /** A block: what does not follow from its size is scaled with it. */
  private block<B extends Block>(block: B): B {
    const placed = { ...block, ...this.box(block) };
    if (placed.kind === "days") return placed;
    const { type, line } = placed;
    return {
      ...placed,
      type: this.type(type),
      line: line && { ...line, width: this.length(line.width, LIMITS.line) },
    };
  }

  /** What lies on pages besides cells. */
  onPages({ texts, blocks, graphics, shapes, guides }: Job) {
    const { left, top, across, down } = this.fitting;
    return {
      texts: each(texts, (text) => ({ ...text, ...this.tilted(text), type: this.type(text.type) })),
      blocks: each(blocks, (block) => this.block(block)),
      graphics: each(graphics, (graphic) => ({
        ...graphic,
        width: this.length(graphic.width, LIMITS.graphic),
        away: this.length(graphic.away, LIMITS.margin),
        apart: this.length(graphic.apart, LIMITS.margin),
      })),
      shapes: each(shapes, (shape) => ({
        ...shape,
        ...this.tilted(shape, LIMITS.line.least),
        corner: this.length(shape.corner, LIMITS.margin),
        stroke: shape.stroke && { ...shape.stroke, width: this.length(shape.stroke.width, LIMITS.line) },
        shadow: shape.shadow && {
          ...shape.shadow,
          right: this.length(shape.shadow.right, LIMITS.away),
          down: this.length(shape.shadow.down, LIMITS.away),
          blur: this.length(shape.shadow.blur, LIMITS.slack),
        },
      })),
      guides: {
        x: guides.x.map((at) => this.kept(left + at * across, LIMITS.away)),
        y: guides.y.map((at) => this.kept(top + at * down, LIMITS.away)),
      },
    };
  }

  /** Cells that were put by hand; where pieces keep their size, about the middle of where they come to. */
  cells({ cells }: Job, keepSize: boolean): Job["cells"] {
    return each(cells, ({ place, style, ...own }) => ({
      ...own,
      ...(style && { style: keepSize ? style : this.styles(style) }),
      ...(place && { place: { ...place, ...(keepSize ? this.middle(place) : this.angled(place)) } }),
    }));
  }

  style(style: Style): Style {
    return { ...style, ...this.styles(style) };
  }

  styles({ border, mat, caption, ...others }: StyleChange): StyleChange {
    const edges = (own: Edges): Edges => ({
      top: this.length(own.top, LIMITS.margin),
      right: this.length(own.right, LIMITS.margin),
      bottom: this.length(own.bottom, LIMITS.margin),
      left: this.length(own.left, LIMITS.margin),
    });
    return {
      ...others,
      ...(border !== undefined && {
        border: border && {
          ...border,
          width: edges(border.width),
          corner: this.length(border.corner, LIMITS.margin),
        },
      }),
      ...(mat !== undefined && {
        mat: mat && {
          ...mat,
          layers: mat.layers.map((layer) => ({ ...layer, reveal: edges(layer.reveal) })),
          bevel: mat.bevel && { ...mat.bevel, width: this.length(mat.bevel.width, LIMITS.line) },
        },
      }),
      ...(caption !== undefined && { caption: caption && { ...caption, type: this.type(caption.type) } }),
    };
  }

  private type(type: Type): Type {
    return {
      ...type,
      size: this.length(type.size, LIMITS.letter),
      least: this.length(type.least, LIMITS.letter),
    };
  }

  private box(rect: Rect): Rect {
    return this.inside(fittedRect(rect, this.fitting), LIMITS.piece.least);
  }

  private tilted(item: Rect & { turn: number }, least?: number): Rect & { turn: number } {
    const { angle: turn, ...rect } = this.angled({ ...item, angle: item.turn }, least);
    return { ...rect, turn };
  }

  private angled(
    place: Rect & { angle: number },
    least: number = LIMITS.piece.least,
  ): Rect & { angle: number } {
    const { rect, angle } = fittedTilted(place, place.angle, this.fitting);
    return { ...this.inside(rect, least), angle };
  }

  private middle({ x, y, width, height }: Rect): Pick<Rect, "x" | "y"> {
    const at = fittedRect({ x: x + width / 2, y: y + height / 2, width: 0, height: 0 }, this.fitting);
    return {
      x: this.kept(at.x - width / 2, LIMITS.away),
      y: this.kept(at.y - height / 2, LIMITS.away),
    };
  }

  private inside({ x, y, width, height }: Rect, least: number): Rect {
    const range = { least: um(least), most: LIMITS.piece.most };
    return {
      x: this.kept(x, LIMITS.away),
      y: this.kept(y, LIMITS.away),
      width: this.kept(width, range),
      height: this.kept(height, range),
    };
  }
}

const each = <T>(entries: Readonly<Record<string, T>>, change: (value: T) => T): Record<string, T> =>
  Object.fromEntries(Object.entries(entries).map(([name, value]) => [name, change(value)]));
