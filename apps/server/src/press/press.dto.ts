import { ApiProperty } from "@nestjs/swagger";
import { IsIn, IsInt, IsOptional, IsString, Length, Max, Min } from "class-validator";
import type { Format } from "../contract.ts";

export class HowToWrite {
  @ApiProperty({ enum: ["jpeg", "png", "pdf"] })
  @IsIn(["jpeg", "png", "pdf"], { message: "must be jpeg, png or pdf" })
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
  @ApiProperty({ description: "The file's name without its ending", required: false })
  @IsOptional()
  @IsString()
  @Length(1, 150, { message: "must be 1 to 150 characters long" })
  name?: string;
}
