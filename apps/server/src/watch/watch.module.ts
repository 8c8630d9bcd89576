import { Module } from "@nestjs/common";
import { JobsModule } from "../jobs/jobs.module.ts";
import { LiveModule } from "../live/live.module.ts";
import { PhotosModule } from "../photos/photos.module.ts";
import { WatchController } from "./watch.controller.ts";
import { WatchService } from "./watch.service.ts";

/** Folders that cameras write to: what comes is taken in, and told to the pages of the job. */
@Module({
  imports: [JobsModule, PhotosModule, LiveModule],
  controllers: [WatchController],
  providers: [WatchService],
})
export class WatchModule {}
