import { Module } from "@nestjs/common";
import { PhotosModule } from "../photos/photos.module.ts";
import { HeadsModule } from "../heads/heads.module.ts";
import { LiveModule } from "../live/live.module.ts";
import { PaintingModule } from "../press/painting.module.ts";
import { JobsController } from "./jobs.controller.ts";
import { JobsService } from "./jobs.service.ts";
import { CardsService } from "./cards.service.ts";

/** Jobs with their steps, and the pictures of them in lists. */
@Module({
  imports: [PhotosModule, HeadsModule, LiveModule, PaintingModule],
  controllers: [JobsController],
  providers: [JobsService, CardsService],
  exports: [JobsService],
})
export class JobsModule {}
