import type { JpegSizes } from "@wide-quilt/server/contract";
import { useEffect, useState } from "react";
import { CartesianGrid, Line, LineChart, ReferenceLine, XAxis, YAxis } from "recharts";
import { server } from "../../api/client.ts";
import { sentenceOf } from "../../api/problem.ts";
import { fileSize } from "../../words/words.ts";

interface Props {
  jobId: string;
  sheet: number;
  version: number;
  quality: number;
}

/** The true size of this sheet as a JPEG, from quality to quality. */
export default function QualityCurve({ jobId, sheet, version, quality }: Props) {
  const [sizes, setSizes] = useState<JpegSizes["sizes"] | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  useEffect(() => {
    let wanted = true;
    server.weigh(jobId, sheet).then(
      (weighed) => wanted && setSizes(weighed.sizes),
      (error: unknown) => wanted && setFailure(sentenceOf(error)),
    );
    return () => {
      wanted = false;
    };
  }, [jobId, sheet, version]);
  if (failure) return <p className="text-[12.5px] text-wrong">{failure}</p>;
  if (!sizes) return <p className="text-[12.5px] text-ink-2">Weighing …</p>;
  const said = sizes.map((one) => `${one.quality}: ${fileSize(one.bytes)}`).join(", ");
  return (
    <figure aria-label={`Size by quality. ${said}`} role="img">
      <LineChart width={262} height={120} data={sizes} margin={{ top: 6, right: 8, bottom: 0, left: 0 }}>
        <CartesianGrid stroke="#e3e4e6" vertical={false} />
        <XAxis dataKey="quality" type="number" domain={[30, 100]} tick={{ fontSize: 11 }} tickCount={8} />
        <YAxis
          width={58}
          tick={{ fontSize: 11 }}
          tickFormatter={(bytes: number) => fileSize(bytes)}
          tickCount={4}
        />
        <ReferenceLine x={Math.max(30, quality)} stroke="#8a8f98" strokeDasharray="3 3" />
        <Line dataKey="bytes" stroke="#34409c" strokeWidth={2} dot={{ r: 2 }} isAnimationActive={false} />
      </LineChart>
    </figure>
  );
}
