import { Module } from "@nestjs/common";
import { PhotosModule } from "../photos/photos.module.ts";
import { ProfilesModule } from "../profiles/profiles.module.ts";
import { PaintersService } from "./painters.service.ts";

/** The processes that lay out and paint. */
@Module({
  imports: [PhotosModule, ProfilesModule],
  providers: [PaintersService],
  exports: [PaintersService],
})
export class PaintingModule {}
