import { Module, type DynamicModule } from "@nestjs/common";
import type { Db } from "./data/db.ts";
import { DataFolder } from "./data/folder.ts";
import { PhotosModule } from "./photos/photos.module.ts";
import { HeadsModule } from "./heads/heads.module.ts";
import { GraphicsModule } from "./graphics/graphics.module.ts";
import { ProfilesModule } from "./profiles/profiles.module.ts";
import { StylesModule } from "./styles/styles.module.ts";
import { JobsModule } from "./jobs/jobs.module.ts";
import { PatternsModule } from "./patterns/patterns.module.ts";
import { PressModule } from "./press/press.module.ts";
import { PrintersModule } from "./printers/printers.module.ts";
import { FollowModule } from "./live/follow.module.ts";
import { KeptModule } from "./kept/kept.module.ts";
import { DemoModule } from "./demo/demo.module.ts";
import { EventsModule } from "./events/events.module.ts";
import { WatchModule } from "./watch/watch.module.ts";
import { HouseModule } from "./house.module.ts";
import { CalendarModule } from "./calendar/calendar.module.ts";
import type { Network } from "./network/network.controller.ts";
import { NetworkModule } from "./network/network.module.ts";
import type { Options } from "./options.ts";

/** The whole server, a module a noun, over one data folder. */
@Module({})
export class AppModule {
  static over(folder: DataFolder, db: Db, options: Options, network: Network): DynamicModule {
    return {
      module: AppModule,
      imports: [
        HouseModule.over(folder, db, options, network),
        PhotosModule,
        HeadsModule,
        GraphicsModule,
        ProfilesModule,
        StylesModule,
        JobsModule,
        PatternsModule,
        PressModule,
        PrintersModule,
        FollowModule,
        KeptModule,
        NetworkModule,
        DemoModule,
        WatchModule,
        EventsModule,
        CalendarModule,
      ],
    };
  }
}
