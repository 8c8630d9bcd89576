import { useAppSelector } from "../../app/hooks.ts";
import { selectLayout } from "../../table/sheets.ts";
import { PanelFields } from "../../views/table/ticket/panels/spread/PanelFields.tsx";
import { panelOf } from "../panel.tsx";

/** The pieces that the picture hangs in. */
export const PanelsPanel = panelOf("mural", ({ job, words, change }) => {
  const page = useAppSelector((state) => selectLayout(state)?.sums.size);
  return (
    <PanelFields
      impose={job.impose}
      words={words}
      page={page}
      set={(next, gesture) => change({ do: "impose", change: next }, gesture)}
    />
  );
});
