import { toString } from "qrcode";
import { useEffect, useState } from "react";

/** An address as a code that telephones read (ISO/IEC 18004). */
export default function GuestsCode({ address, className = "" }: { address: string; className?: string }) {
  const [svg, setSvg] = useState<string | null>(null);
  useEffect(() => {
    let gone = false;
    void toString(address, { type: "svg", margin: 2 }).then((drawn) => !gone && setSvg(drawn));
    return () => {
      gone = true;
    };
  }, [address]);
  return (
    svg && (
      <img
        src={`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`}
        alt={`Code for telephones: ${address}`}
        className={className}
      />
    )
  );
}
