import type { EventSpan } from "@wide-quilt/core";
import { Bar, BarChart, LabelList, XAxis } from "recharts";

const time = new Intl.DateTimeFormat(undefined, { hour: "2-digit", minute: "2-digit" });
const MOST = 24;

/** Sets by quarters of an hour, the newest at the right. */
export default function SpansChart({ spans, width }: { spans: readonly EventSpan[]; width: number }) {
  const data = spans.slice(-MOST).map(({ from, sets, prints }) => ({ at: time.format(from), sets, prints }));
  const said = data.map(({ at, sets, prints }) => `${at}: ${sets} sets, ${prints} prints`).join("; ");
  return (
    <figure role="img" aria-label={`Sets in a quarter of an hour. ${said}`}>
      <BarChart
        width={width}
        height={104}
        data={data}
        margin={{ top: 16, right: 4, bottom: 0, left: 4 }}
        barCategoryGap="22%"
      >
        <XAxis dataKey="at" tick={{ fontSize: 11 }} tickLine={false} axisLine={{ stroke: "#d4d6da" }} />
        <Bar dataKey="sets" fill="#34409c" maxBarSize={44} radius={[2, 2, 0, 0]} isAnimationActive={false}>
          <LabelList dataKey="sets" position="top" fontSize={11} fill="#20242c" />
        </Bar>
      </BarChart>
    </figure>
  );
}
