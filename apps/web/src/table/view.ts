import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { ItemName, ItemPlan, SnapLine, StylePart, Um } from "@wide-quilt/core";

/** "fit" follows the window; a number is CSS pixels a millimetre. */
export type Zoom = "fit" | number;

/** What dragging on the table moves. */
export type Drags = "photo" | "cell";

/** A point of the sheet, in µm. */
export interface Spot {
  x: number;
  y: number;
}

export type Side = "cell" | "finish";

/** The parts that a sheet is finished with. */
export type FinishPart = StylePart | "style" | "ground" | "graphics" | "shapes" | "texts" | "blocks";

/** How the table is looked at; no part of the job. */
/** Where each kind of thing on a sheet is edited. */
const EDITOR_OF: Record<ItemPlan["kind"], FinishPart> = { words: "texts", block: "blocks", shape: "shapes" };

export interface View {
  /** Key of the selected cell. */
  cell: string | null;
  /** Keys of further cells selected with it. */
  also: string[];
  /** The box of words or the block that is chosen; null for none. */
  item: ItemName | null;
  drags: Drags;
  /** Lines that a cell being moved has caught. */
  snapped: SnapLine[];
  rulers: boolean;
  /** The measuring stick, on the sheet that is shown; null while it is put away. */
  stick: { ends: [Spot, Spot] } | null;
  /** The mesh of the grid; null for none. */
  grid: Um | null;
  /** Whether pages that face each other are shown as one. */
  pair: boolean;
  /** Whether sheets are shown as they are printed, where several pages share one. */
  printed: boolean;
  /** The photo chosen in the stash, and those chosen with it. */
  photo: string | null;
  morePhotos: string[];
  /** Which photos the stash shows by whether they are in a cell. */
  uses: "all" | "used" | "unused";
  /** The number of the sheet shown. */
  sheet: number;
  zoom: Zoom;
  /** What “fit” comes to in this window, CSS pixels a millimetre. */
  fitted: number;
  /** From where to where an open panel stands in the window, in CSS pixels; null while none is open. */
  covered: { from: number; to: number } | null;
  /** What the column at the right shows. */
  side: Side;
  /** Which part of the finish is open, and for which cells it is set. */
  finishes: { part: FinishPart | null; scope: "all" | "chosen" };
  /** Whether papers are being compared. */
  compares: boolean;
  /** Whether a better arrangement of mixed sizes is being looked for. */
  searching: boolean;
  /** Cells that a finding points at. */
  pointed: string[];
}

const fresh: View = {
  cell: null,
  also: [],
  item: null,
  drags: "photo",
  snapped: [],
  rulers: false,
  stick: null,
  grid: null,
  pair: true,
  printed: false,
  photo: null,
  morePhotos: [],
  uses: "all",
  sheet: 1,
  zoom: "fit",
  fitted: 4,
  covered: null,
  side: "cell",
  finishes: { part: null, scope: "all" },
  compares: false,
  searching: false,
  pointed: [],
};

export const view = createSlice({
  name: "view",
  initialState: fresh,
  reducers: {
    tableCleared: (state) => ({ ...fresh, fitted: state.fitted }),
    cellSelected: (state, { payload }: PayloadAction<string | null>) => {
      state.cell = payload;
      state.also = [];
      state.item = null;
    },
    /** Adds a cell to the selection, or takes it out again. */
    cellToggled: (state, { payload }: PayloadAction<string>) => {
      const all = state.cell === null ? [] : [state.cell, ...state.also];
      const next = all.includes(payload) ? all.filter((key) => key !== payload) : [payload, ...all];
      [state.cell, state.also] = [next[0] ?? null, next.slice(1)];
    },
    cellsSelected: (state, { payload }: PayloadAction<readonly string[]>) => {
      [state.cell, state.also] = [payload[0] ?? null, payload.slice(1)];
    },
    /** Chooses a box of words or a block, whose editor then stands beside the sheet. */
    itemChosen: (state, { payload }: PayloadAction<Pick<ItemPlan, "kind" | "name"> | null>) => {
      state.item = payload?.name ?? null;
      if (!payload) return;
      [state.cell, state.also] = [null, []];
      state.side = "finish";
      state.finishes.part = EDITOR_OF[payload.kind];
    },
    dragging: (state, { payload }: PayloadAction<Drags>) => {
      state.drags = payload;
    },
    snappedTo: (state, { payload }: PayloadAction<SnapLine[]>) => {
      state.snapped = payload;
    },
    aided: (
      state,
      { payload }: PayloadAction<Partial<Pick<View, "rulers" | "grid" | "pair" | "printed">>>,
    ) => {
      Object.assign(state, payload);
    },
    /** Takes the measuring stick out, or puts it away. */
    stickTaken: (state, { payload }: PayloadAction<[Spot, Spot] | null>) => {
      state.stick = payload && { ends: payload };
    },
    stickLaid: (state, { payload }: PayloadAction<[Spot, Spot]>) => {
      if (state.stick) state.stick.ends = payload;
    },
    photoChosen: (state, { payload }: PayloadAction<string | null>) => {
      state.photo = payload;
      state.morePhotos = [];
    },
    photosChosen: (state, { payload }: PayloadAction<readonly string[]>) => {
      [state.photo, state.morePhotos] = [payload[0] ?? null, payload.slice(1)];
    },
    usesShown: (state, { payload }: PayloadAction<View["uses"]>) => {
      state.uses = payload;
    },
    sheetTurned: (state, { payload }: PayloadAction<number>) => {
      state.sheet = payload;
      state.cell = null;
      state.also = [];
    },
    zoomed: (state, { payload }: PayloadAction<Zoom>) => {
      state.zoom = payload;
    },
    covering: (state, { payload }: PayloadAction<View["covered"]>) => {
      state.covered = payload;
    },
    fittedTo: (state, { payload }: PayloadAction<number>) => {
      state.fitted = payload;
    },
    searched: (state, { payload }: PayloadAction<boolean>) => {
      state.searching = payload;
    },
    sideTurned: (state, { payload }: PayloadAction<Side>) => {
      state.side = payload;
    },
    /** Opens a part of the finish, or sets for which cells it is; the finish is then what the side shows. */
    finishing: (state, { payload }: PayloadAction<Partial<View["finishes"]>>) => {
      state.side = "finish";
      Object.assign(state.finishes, payload);
    },
    comparing: (state, { payload }: PayloadAction<boolean>) => {
      state.compares = payload;
    },
    pointedAt: (state, { payload }: PayloadAction<string[]>) => {
      state.pointed = payload;
    },
  },
});

export const {
  tableCleared,
  cellSelected,
  cellToggled,
  cellsSelected,
  itemChosen,
  dragging,
  snappedTo,
  aided,
  searched,
  comparing,
  sideTurned,
  finishing,
  stickTaken,
  stickLaid,
  photoChosen,
  photosChosen,
  usesShown,
  sheetTurned,
  zoomed,
  fittedTo,
  covering,
  pointedAt,
} = view.actions;
