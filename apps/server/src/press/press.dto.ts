import { ApiProperty } from "@nestjs/swagger";
import { IsBoolean, IsInt, IsOptional, IsString, Length, Matches, Max, Min } from "class-validator";
import { NAME_PATTERNS } from "@wide-quilt/core";
import type { RunNaming } from "../contract.ts";

export class AskProof {
  @ApiProperty({ minimum: 1, description: "The number of the sheet to look at" })
  @IsInt({ message: "must be a whole number" })
  @Min(1, { message: "must be at least 1" })
  sheet!: number;

  @ApiProperty({
    description: "Whether a picture in wide colours is wanted, for a soft proof, instead of the file itself",
    default: false,
  })
  @IsBoolean()
  wide: boolean = false;
}

export class AskSizes {
  @ApiProperty({ minimum: 1, description: "The number of the sheet" })
  @IsInt({ message: "must be a whole number" })
  @Min(1, { message: "must be at least 1" })
  sheet!: number;
}

export class AskRun implements RunNaming {
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

  @ApiProperty({ description: "Whether it goes to the job’s printer by IPP instead of into files" })
  @IsBoolean()
  print: boolean = false;
}

export class AnswerDoubt {
  @ApiProperty({ description: "Whether the sheet came out of the printer" })
  @IsBoolean()
  cameOut!: boolean;
}

export class AskArtwork {
  @ApiProperty({ description: "The page’s name", example: "1" })
  @Matches(NAME_PATTERNS.sheet, { message: "must be the name of a page, such as 1" })
  sheet!: string;
}
