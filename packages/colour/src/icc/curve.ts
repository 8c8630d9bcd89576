/** From a coded value to light, both 0…1. */
export type Curve = (value: number) => number;

const fixed = (file: DataView, at: number): number => file.getInt32(at) / 65_536;

/** Reads a tone curve of a profile: a table or an exponent (ICC.1:2022, 10.6), or a formula (10.18). Null for others. */
export function readCurve(file: DataView, at: number): Curve | null {
  switch (file.getUint32(at)) {
    case 0x63757276: // curv
      return tableCurve(file, at);
    case 0x70617261: // para
      return formulaCurve(file, at);
    default:
      return null;
  }
}

function tableCurve(file: DataView, at: number): Curve {
  const count = file.getUint32(at + 8);
  if (count === 0) return (v) => v;
  if (count === 1) {
    const exponent = file.getUint16(at + 12) / 256;
    return (v) => v ** exponent;
  }
  const points = Float64Array.from({ length: count }, (_, i) => file.getUint16(at + 12 + 2 * i) / 65_535);
  return (v) => {
    const place = v * (count - 1);
    const before = Math.min(Math.floor(place), count - 2);
    return points[before]! + (points[before + 1]! - points[before]!) * (place - before);
  };
}

function formulaCurve(file: DataView, at: number): Curve | null {
  const [g, a, b, c, d, e, f] = [0, 1, 2, 3, 4, 5, 6].map((i) =>
    at + 16 + 4 * i <= file.byteLength ? fixed(file, at + 12 + 4 * i) : 0,
  ) as [number, number, number, number, number, number, number];
  const power = (v: number) => Math.max(0, a * v + b) ** g;
  switch (file.getUint16(at + 8)) {
    case 0:
      return (v) => v ** g;
    case 1:
      return (v) => (v >= -b / a ? power(v) : 0);
    case 2:
      return (v) => (v >= -b / a ? power(v) + c : c);
    case 3:
      return (v) => (v >= d ? power(v) : c * v);
    case 4:
      return (v) => (v >= d ? power(v) + e : c * v + f);
    default:
      return null;
  }
}
