import { Module } from "@nestjs/common";
import { LiveService } from "./live.service.ts";

/** What is pushed to windows that follow a job or the runs. */
@Module({
  providers: [LiveService],
  exports: [LiveService],
})
export class LiveModule {}
