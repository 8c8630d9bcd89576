import { existsSync } from "node:fs";
import { join, resolve, sep } from "node:path";
import type { PreviewSize } from "@wide-quilt/painters";

/** The one name under which everything of ours lies in the folder that a person chose. */
export const HOME = "wide-quilt";

/**
 * The one folder that everything is kept in, and where things lie in it.
 *
 *     DIR/out/…                 written files: the person's
 *     DIR/wide-quilt/           ours
 *       wide-quilt.json           says that it is ours, and of which version
 *       wide-quilt.sqlite         jobs, steps, runs …
 *       photos/ graphics/ profiles/ calendars/ tls/
 *       arriving/ proofs/ unfinished/   nothing that has to be kept
 */
export class DataFolder {
  readonly home: string;
  readonly database: string;
  /** Written files, for the person to take. */
  readonly out: string;
  /** What the Press view looks at; nothing that has to be kept. */
  readonly proofs: string;
  /** Photos on their way in. */
  readonly arriving: string;
  /** Files of runs that are being painted, by run. */
  readonly unfinished: string;
  readonly photos: string;
  readonly graphics: string;
  readonly profiles: string;
  /** Files of events that calendars take their days from. */
  readonly calendars: string;
  /** The certificate that was made here, with its key. */
  readonly tls: string;

  constructor(readonly root: string) {
    this.home = join(root, HOME);
    this.database = join(this.home, "wide-quilt.sqlite");
    this.out = join(root, "out");
    this.proofs = join(this.home, "proofs");
    this.arriving = join(this.home, "arriving");
    this.unfinished = join(this.home, "unfinished");
    this.photos = join(this.home, "photos");
    this.graphics = join(this.home, "graphics");
    this.calendars = join(this.home, "calendars");
    this.profiles = join(this.home, "profiles");
    this.tls = join(this.home, "tls", "certificate.json");
  }

  /** Whether a path is ours, or lies in what is. */
  holds(path: string): boolean {
    const [own, other] = [resolve(this.home), resolve(path)];
    return other === own || other.startsWith(own + sep);
  }

  /** A file of events. */
  calendar(file: string): string {
    return join(this.calendars, `${file}.ics`);
  }

  /** A photo's file, as it came. */
  original(photo: string): string {
    return join(this.photos, "originals", photo.slice(0, 2), photo);
  }

  /** A photo's file as painters read it: what came, or what was developed from it. */
  readable(photo: string): string {
    const developed = this.developed(photo);
    return existsSync(developed) ? developed : this.original(photo);
  }

  /** Where a photo lies that was developed from a format painters do not read. */
  developed(photo: string): string {
    return join(this.photos, "developed", photo.slice(0, 2), `${photo}.jpg`);
  }

  preview(photo: string, size: PreviewSize): string {
    return join(this.photos, "previews", photo.slice(0, 2), `${photo}-${size}.jpg`);
  }

  /** A colour profile that was added. */
  profile(id: string): string {
    return join(this.profiles, `${id}.icc`);
  }

  graphic(id: string): string {
    return join(this.graphics, id.slice(0, 2), id);
  }
}
