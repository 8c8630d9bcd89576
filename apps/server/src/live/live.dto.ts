import { ApiProperty } from "@nestjs/swagger";
import { IsIn, IsOptional, IsString, Length } from "class-validator";

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

  @ApiProperty({ required: false, enum: ["true", "false"], description: "Whether it shows runs" })
  @IsOptional()
  @IsIn(["true", "false"], { message: "must be true or false" })
  runs?: string;
}
