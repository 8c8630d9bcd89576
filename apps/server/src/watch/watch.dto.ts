import { ApiProperty } from "@nestjs/swagger";
import { Type } from "class-transformer";
import { IsInt, IsOptional, IsString, Length, Min } from "class-validator";

export class WatchFolder {
  @ApiProperty({ description: "The whole path of a folder on the server’s computer" })
  @IsString()
  @Length(1, 1000)
  folder!: string;
}

export class WatchQuery {
  @ApiProperty({ required: false, description: "Only what came after this number" })
  @IsOptional()
  @Type(() => Number)
  @IsInt()
  @Min(0)
  after?: number;
}

export class WatchTaken {
  @ApiProperty({ description: "The number of the last of it" })
  @IsInt()
  @Min(0)
  number!: number;
}
