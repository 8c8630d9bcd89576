/** A file's name as it was sent: multipart names are UTF-8, which the parser hands on byte by byte. */
export const sentName = ({ originalname }: Express.Multer.File): string =>
  (Buffer.from(originalname, "latin1").toString("utf8").split(/[\\/]/).at(-1) || "photo").slice(0, 255);
