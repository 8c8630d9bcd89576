import { Module, type DynamicModule } from "@nestjs/common";
import { DB } from "./data/database.ts";
import type { Db } from "./data/db.ts";
import { DataFolder } from "./data/folder.ts";
import { DemoComing, DemoController } from "./demo/demoComing.ts";
import { GraphicsController } from "./graphics/graphics.controller.ts";
import { GraphicsService } from "./graphics/graphics.service.ts";
import { CardsService } from "./jobs/cards.service.ts";
import { JobsController } from "./jobs/jobs.controller.ts";
import { JobsService } from "./jobs/jobs.service.ts";
import { KeptController } from "./kept/kept.controller.ts";
import { KeptService } from "./kept/kept.service.ts";
import { LiveController } from "./live/live.controller.ts";
import { LiveService } from "./live/live.service.ts";
import { PatternsController } from "./patterns/patterns.controller.ts";
import { PatternsService } from "./patterns/patterns.service.ts";
import { BackdropsService } from "./photos/backdrops.service.ts";
import { PhotosController } from "./photos/photos.controller.ts";
import { PhotosService } from "./photos/photos.service.ts";
import { Reading } from "./photos/reading.ts";
import { DigitalService } from "./press/digital.service.ts";
import { Ledger } from "./press/ledger.ts";
import { PaintersService } from "./press/painters.service.ts";
import { MakingService } from "./press/making.service.ts";
import { PressController } from "./press/press.controller.ts";
import { ProofsService } from "./press/proofs.service.ts";
import { RunFiles } from "./press/runFiles.service.ts";
import { RunsService } from "./press/runs.service.ts";
import type { Options } from "./options.ts";
import { PrinterAddresses } from "./printers/addresses.ts";
import { PrintersController } from "./printers/printers.controller.ts";
import { PrintersService } from "./printers/printers.service.ts";
import { PrintingService } from "./printers/printing.service.ts";
import { ProfilesController } from "./profiles/profiles.controller.ts";
import { ProfilesService } from "./profiles/profiles.service.ts";
import { StylesController } from "./styles/styles.controller.ts";
import { StylesService } from "./styles/styles.service.ts";

/** The whole server: photos, jobs and press over one data folder. */
@Module({})
export class AppModule {
  static over(folder: DataFolder, db: Db, options: Options): DynamicModule {
    return {
      module: AppModule,
      controllers: [
        PhotosController,
        JobsController,
        PatternsController,
        PressController,
        GraphicsController,
        StylesController,
        ProfilesController,
        PrintersController,
        LiveController,
        KeptController,
        DemoController,
      ],
      providers: [
        { provide: DB, useValue: db },
        { provide: DataFolder, useValue: folder },
        { provide: PrinterAddresses, useValue: new PrinterAddresses(options.printerPorts) },
        PhotosService,
        BackdropsService,
        JobsService,
        PatternsService,
        GraphicsService,
        StylesService,
        ProfilesService,
        PrintersService,
        PrintingService,
        CardsService,
        LiveService,
        KeptService,
        Reading,
        Ledger,
        PaintersService,
        ProofsService,
        RunFiles,
        MakingService,
        RunsService,
        DigitalService,
        DemoComing,
      ],
    };
  }
}
