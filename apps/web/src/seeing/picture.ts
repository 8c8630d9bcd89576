/** A picture in pixels, as it is seen. */
export type Picture = ImageBitmap;

/** A square of a picture, turned about its middle; degrees clockwise, side in pixels. */
export interface Square {
  x: number;
  y: number;
  side: number;
  angle: number;
}

/**
 * A square of a picture drawn upright at `size` × `size` pixels, as RGB figures for a model. Beside the picture it is
 * grey.
 */
export function drawn(
  picture: Picture,
  { x, y, side, angle }: Square,
  size: number,
  figure: (byte: number) => number,
): Float32Array {
  const canvas = new OffscreenCanvas(size, size);
  const on = canvas.getContext("2d", { willReadFrequently: true })!;
  on.fillStyle = "#808080";
  on.fillRect(0, 0, size, size);
  on.imageSmoothingQuality = "high";
  on.translate(size / 2, size / 2);
  on.scale(size / side, size / side);
  on.rotate((-angle * Math.PI) / 180);
  on.drawImage(picture, -x, -y);
  const { data } = on.getImageData(0, 0, size, size);
  const figures = new Float32Array(size * size * 3);
  for (let i = 0; i < size * size; i++) {
    figures[i * 3] = figure(data[i * 4]!);
    figures[i * 3 + 1] = figure(data[i * 4 + 1]!);
    figures[i * 3 + 2] = figure(data[i * 4 + 2]!);
  }
  return figures;
}

/** A point of the drawn square, 0…1 from its left and top, in the picture. */
export function fromSquare({ x, y, side, angle }: Square, across: number, down: number) {
  const radians = (angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const [dx, dy] = [(across - 0.5) * side, (down - 0.5) * side];
  return { x: x + dx * cos - dy * sin, y: y + dx * sin + dy * cos };
}
