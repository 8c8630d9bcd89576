/** A photo that cannot be used; the message is a sentence that begins with what is wrong, without the file's name. */
export class BadPhoto extends Error {
  override name = "BadPhoto";
}
