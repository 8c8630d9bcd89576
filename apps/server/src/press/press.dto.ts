import { ApiProperty } from "@nestjs/swagger";
import { IsBoolean, IsIn, IsInt, IsOptional, IsString, Length, Max, Min } from "class-validator";
import type { Format } from "../contract.ts";

export class HowToWrite {
  @ApiProperty({ enum: ["jpeg", "png", "pdf", "svg"] })
  @IsIn(["jpeg", "png", "pdf", "svg"], { message: "must be jpeg, png, pdf or svg" })
  format!: Format;

  @ApiProperty({ minimum: 1, maximum: 100, description: "JPEG quality", default: 92 })
  @IsInt({ message: "must be a whole number" })
  @Min(1, { message: "must be at least 1" })
  @Max(100, { message: "must be at most 100" })
  quality: number = 92;
}

export class AskProof extends HowToWrite {
  @ApiProperty({ minimum: 1, description: "The number of the sheet to look at" })
  @IsInt({ message: "must be a whole number" })
  @Min(1, { message: "must be at least 1" })
  sheet!: number;
}

export class AskRun extends HowToWrite {
  @ApiProperty({
    description: "The files' names without their ending, with fields: [name] [sheet, 3 digits]",
    required: false,
  })
  @IsOptional()
  @IsString()
  @Length(1, 150, { message: "must be 1 to 150 characters long" })
  rule?: string;

  @ApiProperty({ description: "The number of the first sheet in names", default: 1, minimum: 0 })
  @IsInt({ message: "must be a whole number" })
  @Min(0, { message: "must be at least 0" })
  @Max(99_999, { message: "must be at most 99 999" })
  start: number = 1;

  @ApiProperty({ description: "Whether every sheet gets a file of its own, also in a format with pages" })
  @IsBoolean()
  each: boolean = false;

  @ApiProperty({ description: "A folder inside the folder of written files; empty for none", default: "" })
  @IsString()
  @Length(0, 100, { message: "must be at most 100 characters long" })
  folder: string = "";

  @ApiProperty({ description: "Whether files of the same names are written over" })
  @IsBoolean()
  overwrite: boolean = false;
}
