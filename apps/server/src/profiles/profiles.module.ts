import { Module } from "@nestjs/common";
import { PhotosModule } from "../photos/photos.module.ts";
import { ProfilesController } from "./profiles.controller.ts";
import { ProfilesService } from "./profiles.service.ts";

/** Colour profiles of papers. */
@Module({
  imports: [PhotosModule],
  controllers: [ProfilesController],
  providers: [ProfilesService],
  exports: [ProfilesService],
})
export class ProfilesModule {}
