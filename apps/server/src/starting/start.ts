import { NestFactory } from "@nestjs/core";
import type { NestExpressApplication } from "@nestjs/platform-express";
import express from "express";
import { DocumentBuilder, SwaggerModule } from "@nestjs/swagger";
import type { RequestListener } from "node:http";
import { AppModule } from "../app.module.ts";
import { claim } from "../data/claim.ts";
import { openDatabase } from "../data/database.ts";
import { sweep } from "../data/sweep.ts";
import { awaitDemo, fillWithDemo } from "../demo/demo.ts";
import type { Options } from "../options.ts";
import { certificateOf } from "../network/certificate.ts";
import { Reading } from "../photos/reading.ts";
import { doors } from "../safety/doors.ts";
import { notDeep } from "../safety/depth.ts";
import { ProblemFilter } from "../safety/problem.filter.ts";
import { validation } from "../safety/validation.ts";
import { pages, withoutBase } from "../web/pages.ts";
import { listen } from "./listen.ts";

/** A job file of five thousand photos is under a megabyte. */
const MOST_JSON = "8mb";

/** A server that answers. */
export interface Started {
  address: string;
  /** The folder that everything is kept in. */
  root: string;
  /** Fills a new folder with the demo, where that is wanted; it answers meanwhile. */
  fill(): Promise<void>;
  /** Ends what is under way and brings everything to the disk. */
  stop(): Promise<void>;
}

type Say = (line: string) => void;

/** After which the processes that read photos are started, in milliseconds: first the page is answered. */
const SOON = 1000;

/**
 * Starts the server: first its port, then its folder, so that a second start touches nothing of the first.
 * Throws `Refused` with a sentence.
 */
export async function start(options: Options, say: Say): Promise<Started> {
  const listening = await listen(options);
  const held = claim(options.data);
  const { db, close } = openDatabase(held.folder, say);
  sweep(db, held.folder);
  const certificate = await certificateOf(options, held.folder);
  if (certificate) listening.secure(certificate);
  const { port } = listening;
  const network = { host: options.host, base: options.base, port, certificate };
  const app = await NestFactory.create<NestExpressApplication>(
    AppModule.over(held.folder, db, options, network),
    {
      logger: ["error", "warn"],
      bodyParser: false,
      abortOnError: false,
    },
  );
  app.disable("x-powered-by");
  app.use(withoutBase(options));
  app.use(doors(options));
  app.use(pages(options));
  app.use(express.json({ limit: MOST_JSON, verify: notDeep }));
  app.useGlobalPipes(validation());
  app.useGlobalFilters(new ProblemFilter());
  const about = new DocumentBuilder().setTitle("Wide Quilt").setVersion("0.1.0").build();
  SwaggerModule.setup("api/docs", app, () => SwaggerModule.createDocument(app, about));
  await app.init();
  // Photos that come at once start what they need; otherwise it is there before they do.
  setTimeout(() => app.get(Reading).warm(), SOON).unref();
  if (options.demo) awaitDemo(app);
  listening.answerWith(app.getHttpAdapter().getInstance() as RequestListener);
  held.tell(listening.address, certificate?.cert ?? null);
  return {
    address: listening.address,
    root: held.folder.root,
    fill: () => fillWithDemo(app, say),
    stop: async () => {
      await Promise.all([app.close(), listening.close()]);
      close();
      held.release();
    },
  };
}
