import { Module } from "@nestjs/common";
import { JobsModule } from "../jobs/jobs.module.ts";
import { PhotosModule } from "../photos/photos.module.ts";
import { CalendarController } from "./calendar.controller.ts";
import { CalendarService } from "./calendar.service.ts";

/** What days mean: holidays, files of events, the moon, the sun. */
@Module({
  imports: [JobsModule, PhotosModule],
  controllers: [CalendarController],
  providers: [CalendarService],
})
export class CalendarModule {}
