import { createSlice, type PayloadAction } from "@reduxjs/toolkit";

/** A sentence shown for a while at the foot of the page. */
export interface Notice {
  id: number;
  text: string;
  level: "right" | "look" | "wrong";
}

/** "fit" follows the window; a number is CSS pixels a millimetre. */
export type Zoom = "fit" | number;

/** How the table is looked at; no part of the job. */
export interface View {
  /** Key of the selected cell. */
  cell: string | null;
  /** The photo chosen in the stash. */
  photo: string | null;
  /** The number of the sheet shown. */
  sheet: number;
  zoom: Zoom;
  /** What “fit” comes to in this window, CSS pixels a millimetre. */
  fitted: number;
  /** Cells that a finding points at. */
  pointed: string[];
  notices: Notice[];
}

const fresh: View = { cell: null, photo: null, sheet: 1, zoom: "fit", fitted: 4, pointed: [], notices: [] };

let nextNotice = 1;

export const view = createSlice({
  name: "view",
  initialState: fresh,
  reducers: {
    tableCleared: (state) => ({ ...fresh, fitted: state.fitted, notices: state.notices }),
    cellSelected: (state, { payload }: PayloadAction<string | null>) => {
      state.cell = payload;
    },
    photoChosen: (state, { payload }: PayloadAction<string | null>) => {
      state.photo = payload;
    },
    sheetTurned: (state, { payload }: PayloadAction<number>) => {
      state.sheet = payload;
      state.cell = null;
    },
    zoomed: (state, { payload }: PayloadAction<Zoom>) => {
      state.zoom = payload;
    },
    fittedTo: (state, { payload }: PayloadAction<number>) => {
      state.fitted = payload;
    },
    pointedAt: (state, { payload }: PayloadAction<string[]>) => {
      state.pointed = payload;
    },
    noticed: {
      prepare: (text: string, level: Notice["level"] = "look") => ({
        payload: { id: nextNotice++, text, level },
      }),
      reducer: (state, { payload }: PayloadAction<Notice>) => {
        // The same sentence twice says no more than once.
        state.notices = [...state.notices.filter(({ text }) => text !== payload.text), payload].slice(-4);
      },
    },
    noticeClosed: (state, { payload }: PayloadAction<number>) => {
      state.notices = state.notices.filter(({ id }) => id !== payload);
    },
  },
});

export const {
  tableCleared,
  cellSelected,
  photoChosen,
  sheetTurned,
  zoomed,
  fittedTo,
  pointedAt,
  noticed,
  noticeClosed,
} = view.actions;
