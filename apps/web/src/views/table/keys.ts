/** Every key of the table, as it is shown in the list of keys. */
export const KEYS: readonly { where: string; keys: readonly { press: string[]; does: string }[] }[] = [
  {
    where: "Everywhere on the table",
    keys: [
      { press: ["Ctrl Z"], does: "Undo" },
      { press: ["Ctrl Shift Z", "Ctrl Y"], does: "Redo" },
      { press: ["Ctrl P"], does: "Print or export" },
      { press: ["?"], does: "This list" },
      { press: ["[", "]"], does: "Sheet before, next sheet" },
      { press: ["M"], does: "Move cells instead of photos, and back" },
      { press: ["0"], does: "Fit the sheet in the window" },
      { press: ["1"], does: "True size" },
      { press: ["+", "−"], does: "Larger, smaller; also Ctrl and the wheel, around the pointer" },
      { press: ["Space drag"], does: "Move the table under the pointer; also the middle button" },
    ],
  },
  {
    where: "On a cell",
    keys: [
      { press: ["← ↑ → ↓"], does: "Go to the neighbour" },
      { press: ["Shift ← ↑ → ↓"], does: "Move the photo by half a millimetre, with Alt by a tenth" },
      { press: [".", ","], does: "Photo larger, smaller; also the wheel" },
      { press: ["F", "W"], does: "Fill the cell, show the whole photo" },
      { press: ["R"], does: "Turn the photo a quarter clockwise" },
      { press: ["Backspace"], does: "Back to computed" },
      { press: ["Esc"], does: "Let go of the cell" },
    ],
  },
  {
    where: "While cells are moved",
    keys: [
      {
        press: ["← ↑ → ↓"],
        does: "Move the chosen cells by half a millimetre; with Shift by five, with Alt by a tenth",
      },
      { press: ["Ctrl ← ↑ → ↓"], does: "Go to the neighbour" },
      { press: ["Shift click"], does: "Choose one more" },
      { press: ["Ctrl A"], does: "Choose all cells of the sheet" },
      { press: ["Ctrl D"], does: "Duplicate" },
      { press: ["Delete"], does: "Remove" },
      { press: ["Alt drag"], does: "Catch on nothing; with Shift keep the proportion" },
    ],
  },
  {
    where: "On words or a table of the sheet",
    keys: [
      {
        press: ["← ↑ → ↓"],
        does: "Move it by half a millimetre; with Shift by five, with Alt by a tenth",
      },
      { press: ["Delete"], does: "Take it out" },
      { press: ["Esc"], does: "Let go of it" },
    ],
  },
  {
    where: "On a photo at the left",
    keys: [
      { press: ["Enter"], does: "Put it in all cells" },
      { press: ["Space"], does: "Choose it; Ctrl click one more, Shift click all up to it" },
      { press: ["← ↑ → ↓"], does: "Go to the next photo" },
      { press: ["1", "5"], does: "Rate it, one to five stars; 0 takes the rating away" },
      { press: ["Delete"], does: "Take it out of the job" },
    ],
  },
  {
    where: "In a field for a length",
    keys: [
      { press: ["↑ ↓"], does: "A step more, less; with Shift ten, with Alt a tenth" },
      { press: ["Enter"], does: "Take what was typed: 35mm, 3 1/2 in, 210mm/3 - 2mm" },
    ],
  },
];
