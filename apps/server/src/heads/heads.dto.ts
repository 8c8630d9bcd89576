import { ApiProperty } from "@nestjs/swagger";
import { IsArray, IsBoolean } from "class-validator";

export class SetHeads {
  @ApiProperty({
    type: "array",
    items: { type: "object" },
    description: "The heads in the photo, none for an empty list",
  })
  @IsArray()
  heads!: unknown[];
}

export class PauseHeads {
  @ApiProperty({ description: "Whether photos are left alone for now" })
  @IsBoolean()
  paused!: boolean;
}
