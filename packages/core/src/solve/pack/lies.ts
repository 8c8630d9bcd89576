/** Whether a piece lies on a paper, upright or turned. */
export function lies(
  piece: { width: number; height: number; mayTurn: boolean },
  paper: { width: number; height: number },
): boolean {
  const { width, height, mayTurn } = piece;
  const upright = width <= paper.width && height <= paper.height;
  return upright || (mayTurn && height <= paper.width && width <= paper.height);
}
