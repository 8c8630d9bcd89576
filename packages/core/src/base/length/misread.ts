/** A text that is no length; the message is a sentence for whoever typed it. */
export class Misread extends Error {}

export const EXAMPLE = "Type a length such as 35mm, 3 1/2 in or 210mm/3 - 2mm.";
