import sharp from "sharp";

/** Pixels of a photo that nobody took: as fine as a small print needs. */
const WIDTH = 1800;
const HEIGHT = 1200;
const GROUNDS = ["#7d8fb8", "#8fae8b", "#c4a46c", "#b4838d", "#87a7ad"];

/**
 * A photo for a test print: a ring in its middle, which shows whether it is cropped evenly and stays round, lines a tenth apart,
 * and as many dots as its number.
 */
export function madeUpPhoto(number: number): Promise<Buffer> {
  const lines = Array.from({ length: 9 }, (_, i) => {
    const [x, y] = [((i + 1) * WIDTH) / 10, ((i + 1) * HEIGHT) / 10];
    return `<path d="M${x} 0V${HEIGHT}M0 ${y}H${WIDTH}" stroke="#fff" stroke-opacity=".35" stroke-width="4"/>`;
  });
  const across = Math.ceil(Math.sqrt(number));
  const dots = Array.from({ length: number }, (_, i) => {
    const [column, row] = [i % across, Math.floor(i / across)];
    const rows = Math.ceil(number / across);
    const x = WIDTH / 2 + (column - (across - 1) / 2) * 120;
    const y = HEIGHT / 2 + (row - (rows - 1) / 2) * 120;
    return `<circle cx="${x}" cy="${y}" r="42" fill="#fff"/>`;
  });
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}">
    <rect width="100%" height="100%" fill="${GROUNDS[(number - 1) % GROUNDS.length]}"/>${lines.join("")}
    <circle cx="${WIDTH / 2}" cy="${HEIGHT / 2}" r="${HEIGHT * 0.42}" fill="none" stroke="#fff" stroke-width="12"/>
    ${dots.join("")}</svg>`;
  return sharp(Buffer.from(svg)).jpeg({ quality: 92 }).toBuffer();
}
