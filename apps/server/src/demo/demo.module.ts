import { Module } from "@nestjs/common";
import { DemoComing, DemoController } from "./demoComing.ts";

/** How far the demo is on its way in. */
@Module({
  controllers: [DemoController],
  providers: [DemoComing],
})
export class DemoModule {}
