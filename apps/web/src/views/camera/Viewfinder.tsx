import { cameraLines, type DocumentRule, type PicturePoint, type Sight } from "@wide-quilt/core";
import type { RefObject } from "react";

interface Props {
  video: RefObject<HTMLVideoElement | null>;
  sight: Sight | null;
  rule: DocumentRule;
  /** Whether all is right just now. */
  right: boolean;
}

/** The film of the camera, mirrored as its sitter knows themselves, with the rule’s lines around the head. */
export function Viewfinder({ video, sight, rule, right }: Props) {
  const lines = sight && cameraLines(sight.heads[0] ?? null, sight.size, rule);
  const { width, height } = sight?.size ?? { width: 4, height: 3 };
  const path = (points: readonly PicturePoint[]) =>
    points.map(({ x, y }) => `${x * width},${y * height}`).join(" ");
  const colour = right ? "#1f6f54" : "#34409c";
  return (
    <div className="absolute inset-0 flex -scale-x-100 items-center justify-center">
      <video
        ref={video}
        muted
        playsInline
        aria-label="What the camera sees, mirrored"
        className="h-full w-full object-contain"
      />
      {lines && (
        <svg
          aria-hidden
          className="absolute inset-0 h-full w-full"
          viewBox={`0 0 ${width} ${height}`}
          preserveAspectRatio="xMidYMid meet"
        >
          {lines.bands.map((band, i) => (
            <polygon key={i} points={path(band)} fill={colour} fillOpacity={0.28} />
          ))}
          <polygon
            points={path(lines.piece)}
            fill="none"
            stroke="#ffffff"
            strokeOpacity={0.85}
            strokeWidth={5}
            vectorEffect="non-scaling-stroke"
          />
          <polygon
            points={path(lines.piece)}
            fill="none"
            stroke={colour}
            strokeWidth={2.5}
            strokeDasharray={sight.heads.length === 0 ? "10 8" : undefined}
            vectorEffect="non-scaling-stroke"
          />
        </svg>
      )}
    </div>
  );
}
