/**
 * A sheet that is divided by straight cuts only: every part is cut in two edge to edge, holds a piece, or is free.
 *
 *     ┌──────┬───────┐
 *     │piece │       │     a piece set in a free part cuts it twice; taking the piece out joins the free parts
 *     ├──────┤ free  │     again, so that pieces can come and go
 *     │ free │       │
 *     └──────┴───────┘
 */
export interface Part {
  x: number;
  y: number;
  width: number;
  height: number;
  /** Index of the piece; FREE, or DIVIDED when it has two parts of its own. */
  holds: number;
  turned: boolean;
  first: Part | null;
  second: Part | null;
  parent: Part | null;
}

export const FREE = -1;
const DIVIDED = -2;

const part = (x: number, y: number, width: number, height: number, parent: Part | null): Part => ({
  x,
  y,
  width,
  height,
  holds: FREE,
  turned: false,
  first: null,
  second: null,
  parent,
});

export class SheetTree {
  free: Part[];
  pieces: Part[] = [];
  /** Area of the pieces on it. */
  used = 0;

  constructor(
    readonly paper: number,
    readonly width: number,
    readonly height: number,
    private root: Part = part(0, 0, width, height, null),
  ) {
    this.free = [root];
  }

  /** Sets a piece in the corner of a free part; `across` cuts the part along x first, its whole height long. */
  put(at: Part, piece: number, width: number, height: number, turned: boolean, across: boolean): void {
    this.drop(at);
    const whole = across
      ? this.cutAcross(this.cutDown(at, height), width)
      : this.cutDown(this.cutAcross(at, width), height);
    whole.holds = piece;
    whole.turned = turned;
    this.pieces.push(whole);
    this.used += width * height;
  }

  /** Takes the piece at an index of `pieces` out, and joins what is free around it. */
  take(index: number): number {
    const at = this.pieces[index]!;
    this.pieces[index] = this.pieces[this.pieces.length - 1]!;
    this.pieces.pop();
    const piece = at.holds;
    this.used -= at.width * at.height;
    at.holds = FREE;
    let joined = at;
    for (let up = at.parent; up && up.first!.holds === FREE && up.second!.holds === FREE; up = up.parent) {
      this.drop(up.first === joined ? up.second! : up.first!);
      up.holds = FREE;
      up.first = up.second = null;
      joined = up;
    }
    this.free.push(joined);
    return piece;
  }

  /** How often it is divided: the cuts, none of them stacked. */
  get cuts(): number {
    const count = (at: Part): number => (at.holds === DIVIDED ? 1 + count(at.first!) + count(at.second!) : 0);
    return count(this.root);
  }

  copy(): SheetTree {
    const twin = new SheetTree(this.paper, this.width, this.height);
    twin.free = [];
    twin.root = twin.copied(this.root, null);
    twin.used = this.used;
    return twin;
  }

  private copied(from: Part, parent: Part | null): Part {
    const to: Part = { ...from, parent };
    if (from.holds === FREE) this.free.push(to);
    else if (from.holds !== DIVIDED) this.pieces.push(to);
    else {
      to.first = this.copied(from.first!, to);
      to.second = this.copied(from.second!, to);
    }
    return to;
  }

  /** The left part of a part cut at a width; the right one is free. */
  private cutAcross(at: Part, width: number): Part {
    if (at.width === width) return at;
    at.holds = DIVIDED;
    at.first = part(at.x, at.y, width, at.height, at);
    at.second = part(at.x + width, at.y, at.width - width, at.height, at);
    this.free.push(at.second);
    return at.first;
  }

  private cutDown(at: Part, height: number): Part {
    if (at.height === height) return at;
    at.holds = DIVIDED;
    at.first = part(at.x, at.y, at.width, height, at);
    at.second = part(at.x, at.y + height, at.width, at.height - height, at);
    this.free.push(at.second);
    return at.first;
  }

  private drop(free: Part): void {
    const index = this.free.indexOf(free);
    this.free[index] = this.free[this.free.length - 1]!;
    this.free.pop();
  }
}
