import { configureStore } from "@reduxjs/toolkit";
import { queries } from "../api/queries.ts";
import { behindAll } from "../table/behindSlice.ts";
import { headSearch } from "../table/headSlice.ts";
import { openJob } from "../table/openJob.ts";
import { view } from "../table/view.ts";
import { notices } from "./noticeSlice.ts";
import { keepPreferences, preferences } from "./preferences.ts";

export const store = configureStore({
  reducer: {
    openJob: openJob.reducer,
    headSearch: headSearch.reducer,
    behindAll: behindAll.reducer,
    [queries.reducerPath]: queries.reducer,
    view: view.reducer,
    notices: notices.reducer,
    preferences: preferences.reducer,
  },
  // A job of thousands of photos is plain data by its type; walking it on every edit would cost more than the edit.
  middleware: (standard) =>
    standard({ serializableCheck: false, immutableCheck: false }).concat(queries.middleware),
});

export type State = ReturnType<typeof store.getState>;
export type Dispatch = typeof store.dispatch;

let kept = store.getState().preferences;
store.subscribe(() => {
  const now = store.getState().preferences;
  if (now !== kept) keepPreferences((kept = now));
});
