import { Module } from "@nestjs/common";
import { HeadsModule } from "../heads/heads.module.ts";
import { LiveModule } from "../live/live.module.ts";
import { PatternsModule } from "../patterns/patterns.module.ts";
import { PhotosModule } from "../photos/photos.module.ts";
import { PaintingModule } from "../press/painting.module.ts";
import { PressModule } from "../press/press.module.ts";
import { PrintersModule } from "../printers/printers.module.ts";
import { EventsController } from "./events.controller.ts";
import { GuestsController } from "./guests.controller.ts";
import { SouvenirsController } from "./souvenirs.controller.ts";
import { SouvenirsService } from "./souvenirs.service.ts";
import { EventJobs } from "./eventJobs.service.ts";
import { EventsService } from "./events.service.ts";
import { IntakeService } from "./intake.service.ts";

/** Events that run by themselves: shots in, sets filled, prints out. */
@Module({
  imports: [
    HeadsModule,
    LiveModule,
    PaintingModule,
    PatternsModule,
    PhotosModule,
    PressModule,
    PrintersModule,
  ],
  controllers: [EventsController, GuestsController, SouvenirsController],
  providers: [EventJobs, EventsService, IntakeService, SouvenirsService],
})
export class EventsModule {}
