import { fileURLToPath } from "node:url";
import { Module, type DynamicModule, type OnModuleDestroy } from "@nestjs/common";
import { ServeStaticModule } from "@nestjs/serve-static";
import { DB, openDatabase } from "./data/database.ts";
import { DataFolder } from "./data/folder.ts";
import { GraphicsController } from "./graphics/graphics.controller.ts";
import { GraphicsService } from "./graphics/graphics.service.ts";
import { JobsController } from "./jobs/jobs.controller.ts";
import { JobsService } from "./jobs/jobs.service.ts";
import { PatternsController } from "./patterns/patterns.controller.ts";
import { PatternsService } from "./patterns/patterns.service.ts";
import { BackdropsService } from "./photos/backdrops.service.ts";
import { PhotosController } from "./photos/photos.controller.ts";
import { PhotosService } from "./photos/photos.service.ts";
import { DigitalService } from "./press/digital.service.ts";
import { PaintPool } from "./press/paint.pool.ts";
import { MakingService } from "./press/making.service.ts";
import { PressController } from "./press/press.controller.ts";
import { ProofsService } from "./press/proofs.service.ts";
import { RunFiles } from "./press/runFiles.service.ts";
import { RunsService } from "./press/runs.service.ts";
import { TasksService } from "./press/tasks.service.ts";
import { PrintersController } from "./printers/printers.controller.ts";
import { PrintersService } from "./printers/printers.service.ts";
import { PrintingService } from "./printers/printing.service.ts";
import { ProfilesController } from "./profiles/profiles.controller.ts";
import { ProfilesService } from "./profiles/profiles.service.ts";
import { StylesController } from "./styles/styles.controller.ts";
import { StylesService } from "./styles/styles.service.ts";

/** The whole server: photos, jobs and press over one data folder, and the web pages beside them. */
@Module({})
export class AppModule implements OnModuleDestroy {
  private static close: () => void = () => undefined;

  static over(folder: DataFolder): DynamicModule {
    const { db, close } = openDatabase(folder.database);
    AppModule.close = close;
    return {
      module: AppModule,
      imports: [
        ServeStaticModule.forRoot({
          rootPath: fileURLToPath(new URL("../../web/dist", import.meta.url)),
          exclude: ["/api/{*rest}"],
        }),
      ],
      controllers: [
        PhotosController,
        JobsController,
        PatternsController,
        PressController,
        GraphicsController,
        StylesController,
        ProfilesController,
        PrintersController,
      ],
      providers: [
        { provide: DB, useValue: db },
        { provide: DataFolder, useValue: folder },
        PhotosService,
        BackdropsService,
        JobsService,
        PatternsService,
        GraphicsService,
        StylesService,
        ProfilesService,
        PrintersService,
        PrintingService,
        TasksService,
        ProofsService,
        RunFiles,
        MakingService,
        RunsService,
        DigitalService,
        PaintPool,
      ],
    };
  }

  onModuleDestroy(): void {
    AppModule.close();
  }
}
