import { availableParallelism } from "node:os";
import { Injectable, type OnModuleDestroy } from "@nestjs/common";
import type { ProfileFacts } from "@wide-quilt/colour";
import type { BackdropFill, Edges, PhotoRecord, Search } from "@wide-quilt/core";
import {
  BadPhoto,
  type ArtFound,
  type PictureBehind,
  type PreviewSize,
  type TakenGraphic,
} from "@wide-quilt/painters";
import { Ended, type Terms } from "../processes/helper.ts";
import { Pool } from "../processes/pool.ts";

/** A photo that is read, and where what is made of it goes. */
export interface ReadPhoto {
  path: string;
  developed: string;
  previews: Record<PreviewSize, string>;
}

/** A backdrop that is made of a photo and a mask. */
export interface ReadBackdrop {
  photo: string;
  /** Its path, or its bytes. */
  mask: string | Uint8Array;
  fill: BackdropFill | PictureBehind;
  to: string;
}

export interface ReadGraphic {
  path: string;
  /** Where what is kept of it goes. */
  to: string;
}

/** An artwork whose windows are looked for. */
export interface ReadArtwork {
  path: string;
  search: Partial<Search>;
}

/** An artwork that is given more pixels at its sides. */
export interface WidenArtwork extends ReadGraphic {
  more: Record<keyof Edges, number>;
}

/** A graphic that was written where it was asked for; its id is the hash of that. */
export type TakenFile = Omit<TakenGraphic, "file"> & { id: string };

/** How far reading a file may go. */
const PHOTO: Terms = { time: 60_000, memory: 4e9 };
const SMALL: Terms = { time: 10_000, memory: 1e9 };

/** Reads files from outside in processes of their own, within limits of time and memory. */
@Injectable()
export class Reading implements OnModuleDestroy {
  private readonly pool = new Pool(new URL("./read.process.js", import.meta.url), availableParallelism());

  /** Starts the processes, so that the first photo does not wait for them. */
  warm(): void {
    this.pool.warm();
  }

  /** Reads a photo and makes its previews. Throws BadPhoto. */
  photo(asked: ReadPhoto): Promise<PhotoRecord> {
    return this.read("photo", asked, PHOTO);
  }

  /** What a photo’s file says of itself. Throws BadPhoto. */
  record(path: string): Promise<PhotoRecord> {
    return this.read("record", { path }, PHOTO);
  }

  /** Photos one after the other as a GIF. Throws BadPhoto. */
  moving(paths: readonly string[]): Promise<Uint8Array> {
    return this.read("moving", { paths }, PHOTO);
  }

  /** Makes a photo’s previews anew. Throws BadPhoto. */
  previews(asked: Pick<ReadPhoto, "path" | "previews">): Promise<void> {
    return this.read("previews", asked, PHOTO);
  }

  /** Puts something else behind a person and gives back the hash of the photo that was made. Throws BadPhoto. */
  backdrop(asked: ReadBackdrop): Promise<string> {
    return this.read("backdrop", asked, PHOTO);
  }

  /** Takes of a graphic what can be drawn. Throws BadPhoto. */
  graphic(asked: ReadGraphic): Promise<TakenFile> {
    return this.read("graphic", asked, SMALL);
  }

  /** Finds the windows of an artwork. Throws BadPhoto. */
  windows(asked: ReadArtwork): Promise<ArtFound> {
    return this.read("windows", asked, SMALL);
  }

  /** Makes a graphic larger by the pixels at its edges. Throws BadPhoto. */
  widened(asked: WidenArtwork): Promise<TakenFile> {
    return this.read("widened", asked, SMALL);
  }

  /** Reads a colour profile that is to be written for. Throws BadProfile’s sentence as BadPhoto. */
  profile(path: string): Promise<ProfileFacts> {
    return this.read("profile", { path }, SMALL);
  }

  onModuleDestroy(): void {
    this.pool.close();
  }

  private async read<T>(what: string, asked: unknown, terms: Terms): Promise<T> {
    try {
      return await this.pool.ask<T>(what, asked, terms);
    } catch (error) {
      if (!(error instanceof Ended)) throw error;
      throw new BadPhoto(
        `Reading the file ${error.why}, so it was not taken. Save it anew from the program that made it, or take another.`,
      );
    }
  }
}
