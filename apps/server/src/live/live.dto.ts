import { ApiProperty } from "@nestjs/swagger";
import { Type } from "class-transformer";
import { IsIn, IsInt, IsOptional, IsString, Length, Min } from "class-validator";

export class FollowQuery {
  @ApiProperty({ description: "The window that follows, by a name of its own" })
  @IsString()
  @Length(8, 64)
  client!: string;

  @ApiProperty({ required: false, description: "The job on its table" })
  @IsOptional()
  @IsString()
  @Length(1, 64)
  job?: string;

  @ApiProperty({ required: false, description: "The version of the job that the window has" })
  @IsOptional()
  @Type(() => Number)
  @IsInt()
  @Min(0)
  from?: number;

  @ApiProperty({ required: false, description: "The event that it shows" })
  @IsOptional()
  @IsString()
  @Length(1, 64)
  event?: string;

  @ApiProperty({ required: false, enum: ["true", "false"], description: "Whether it shows runs" })
  @IsOptional()
  @IsIn(["true", "false"], { message: "must be true or false" })
  runs?: string;
}
