import { Module } from "@nestjs/common";
import { JobsModule } from "../jobs/jobs.module.ts";
import { LiveModule } from "./live.module.ts";
import { LiveController } from "./live.controller.ts";

/** Where windows begin to follow. */
@Module({
  imports: [JobsModule, LiveModule],
  controllers: [LiveController],
})
export class FollowModule {}
