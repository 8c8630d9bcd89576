import { JointFields } from "../../views/table/ticket/panels/spread/JointFields.tsx";
import { SeamFields } from "../../views/table/ticket/panels/spread/SeamFields.tsx";
import { panelOf } from "../panel.tsx";

/** How sheets are put together. */
export const JointsPanel = panelOf("mural", ({ job, words, change }) => (
  <JointFields
    impose={job.impose}
    words={words}
    set={(next, gesture) => change({ do: "impose", change: next }, gesture)}
  />
));

/** Where the seams fall. */
export const SeamsPanel = panelOf("mural", (props) => <SeamFields {...props} />);
