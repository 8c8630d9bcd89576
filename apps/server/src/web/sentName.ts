/** The last part of a name that was sent, as systems that send whole paths have it; “photo” where there is none. */
export const plainName = (name: unknown): string =>
  ((typeof name === "string" && name.split(/[\\/]/).at(-1)) || "photo").slice(0, 255);

/** A file's name as a form has it: multipart names are UTF-8, which the parser hands on byte by byte. */
export const sentName = ({ originalname }: Express.Multer.File): string =>
  plainName(Buffer.from(originalname, "latin1").toString("utf8"));
