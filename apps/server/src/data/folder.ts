import { existsSync, mkdirSync, readdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { UNFINISHED, type PreviewSize } from "@wide-quilt/painters";

/** The one folder that everything is kept in, and where things lie in it. */
export class DataFolder {
  readonly database: string;
  /** Written files, for the person to take. */
  readonly out: string;
  /** What the Press view looks at; nothing that has to be kept. */
  readonly proofs: string;
  /** Photos on their way in. */
  readonly arriving: string;

  constructor(readonly root: string) {
    this.database = join(root, "wide-quilt.sqlite");
    this.out = join(root, "out");
    this.proofs = join(root, "proofs");
    this.arriving = join(root, "photos", "arriving");
    rmSync(this.proofs, { recursive: true, force: true });
    rmSync(this.arriving, { recursive: true, force: true });
    for (const folder of [this.out, this.proofs, this.arriving]) mkdirSync(folder, { recursive: true });
    sweepUnfinished(this.out);
  }

  /** A photo's file, as it came. */
  original(photo: string): string {
    return join(this.root, "photos", "originals", photo.slice(0, 2), photo);
  }

  /** A photo's file as painters read it: what came, or what was developed from it. */
  readable(photo: string): string {
    const developed = this.developed(photo);
    return existsSync(developed) ? developed : this.original(photo);
  }

  /** Where a photo lies that was developed from a format painters do not read. */
  developed(photo: string): string {
    return join(this.root, "photos", "developed", photo.slice(0, 2), `${photo}.jpg`);
  }

  /** A colour profile that was added. */
  profile(id: string): string {
    return join(this.root, "profiles", `${id}.icc`);
  }

  graphic(id: string): string {
    return join(this.root, "graphics", id.slice(0, 2), id);
  }

  preview(photo: string, size: PreviewSize): string {
    return join(this.root, "photos", "previews", photo.slice(0, 2), `${photo}-${size}.jpg`);
  }
}

/** Takes away what a killed process left half-written. */
function sweepUnfinished(folder: string): void {
  for (const name of readdirSync(folder))
    if (name.endsWith(UNFINISHED)) rmSync(join(folder, name), { recursive: true });
}
