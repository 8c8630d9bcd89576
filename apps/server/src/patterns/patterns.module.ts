import { Module } from "@nestjs/common";
import { JobsModule } from "../jobs/jobs.module.ts";
import { PatternsController } from "./patterns.controller.ts";
import { PatternsService } from "./patterns.service.ts";

/** The pattern book. */
@Module({
  imports: [JobsModule],
  controllers: [PatternsController],
  providers: [PatternsService],
  exports: [PatternsService],
})
export class PatternsModule {}
