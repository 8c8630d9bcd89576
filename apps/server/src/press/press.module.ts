import { Module } from "@nestjs/common";
import { JobsModule } from "../jobs/jobs.module.ts";
import { LedgerModule } from "./ledger.module.ts";
import { LiveModule } from "../live/live.module.ts";
import { PaintingModule } from "./painting.module.ts";
import { PrintersModule } from "../printers/printers.module.ts";
import { PressController } from "./press.controller.ts";
import { ProofsService } from "./proofs.service.ts";
import { RunFiles } from "./runFiles.service.ts";
import { MakingService } from "./making.service.ts";
import { RunsService } from "./runs.service.ts";
import { DigitalService } from "./digital.service.ts";

/** Sheets written, proved and printed, in runs. */
@Module({
  imports: [JobsModule, LedgerModule, LiveModule, PaintingModule, PrintersModule],
  controllers: [PressController],
  providers: [ProofsService, RunFiles, MakingService, RunsService, DigitalService],
  exports: [RunsService],
})
export class PressModule {}
