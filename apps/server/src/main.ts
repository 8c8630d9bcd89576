import "reflect-metadata";
import { Logger } from "@nestjs/common";
import { NestFactory } from "@nestjs/core";
import type { NestExpressApplication } from "@nestjs/platform-express";
import { DocumentBuilder, SwaggerModule } from "@nestjs/swagger";
import { AppModule } from "./app.module.ts";
import { fillWithDemo } from "./data/demo.ts";
import { DataFolder } from "./data/folder.ts";
import { readOptions, type Options } from "./options.ts";
import { doors } from "./safety/doors.ts";
import { ProblemFilter } from "./safety/problem.filter.ts";
import { validation } from "./safety/validation.ts";

/** A job file of five thousand photos is under a megabyte. */
const MOST_JSON = "8mb";

async function start(options: Options): Promise<void> {
  const folder = new DataFolder(options.data);
  const app = await NestFactory.create<NestExpressApplication>(AppModule.over(folder), {
    logger: ["error", "warn"],
    bodyParser: false,
  });
  app.disable("x-powered-by");
  app.use(doors(options));
  app.useBodyParser("json", { limit: MOST_JSON });
  app.useGlobalPipes(validation());
  app.useGlobalFilters(new ProblemFilter());
  app.enableShutdownHooks();
  const about = new DocumentBuilder().setTitle("Wide Quilt").setVersion("0.1.0").build();
  SwaggerModule.setup("api/docs", app, () => SwaggerModule.createDocument(app, about));
  if (options.demo) await fillWithDemo(app, (said) => console.log(said));
  await app.listen(options.port, options.host);
  const { port } = app.getHttpServer().address() as { port: number };
  const name = options.host.includes(":") ? `[${options.host}]` : options.host;
  console.log(`Wide Quilt is ready at http://${name}:${port}/`);
  console.log(`Everything is kept in ${folder.root}`);
}

try {
  await start(readOptions(process.argv.slice(2)));
} catch (error) {
  const inUse = (error as { code?: string }).code === "EADDRINUSE";
  const usage = error instanceof Error && error.message.includes("Usage:");
  if (inUse) console.error("This port is taken by another program. Choose another one with --port N.");
  else if (usage) console.error((error as Error).message);
  else new Logger("Start").error(error instanceof Error ? error.stack : String(error));
  process.exit(1);
}
