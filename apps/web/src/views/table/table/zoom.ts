import { writeNumber } from "@wide-quilt/core";
import { useAppSelector } from "../../../app/hooks.ts";
import { LOCALE } from "../../../app/preferences.ts";
import { store, type State } from "../../../app/store.ts";

/** CSS pixels a millimetre at which a sheet is as large as it will be printed: CSS has 96 to the inch. */
const CSS_SIZE = 96 / 25.4;

/** The same on this screen, once a card was held to it. */
const trueSizeOf = ({ preferences }: State): number => CSS_SIZE / preferences.screenScale;

export const currentTrueSize = (): number => trueSizeOf(store.getState());

export const useTrueSize = (): number => useAppSelector(trueSizeOf);

export const ZOOM_STEP = 1.2;
/** A roll of twenty metres is seen as a whole. */
export const LEAST_ZOOM = 0.02;
const MOST = 60;

const scaleOf = ({ view: { zoom, fitted } }: State): number =>
  zoom === "fit" ? fitted : Math.min(Math.max(zoom, LEAST_ZOOM), MOST);

export const currentScale = (): number => scaleOf(store.getState());

/** The scale of the table, and the same in percent of true size. */
export function useZoom(): { scale: number; percent: string } {
  const scale = useAppSelector(scaleOf);
  const trueSize = useTrueSize();
  return { scale, percent: `${writeNumber((scale / trueSize) * 100, LOCALE, 0, 0)}\u00a0%` };
}
