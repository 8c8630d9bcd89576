import { ApiProperty } from "@nestjs/swagger";
import { IsOptional, IsString, Length, Matches, MaxLength } from "class-validator";

export class KeepPattern {
  @ApiProperty({ description: "The job whose layout is kept" })
  @IsString()
  @Length(1, 64)
  job!: string;

  @ApiProperty({ example: "Badges, eight on a sheet" })
  @IsString()
  @Matches(/\S/, { message: "must not be empty" })
  @Length(1, 200)
  name!: string;

  @ApiProperty({ example: "Ringers", description: "The folder it lies in; empty for none" })
  @IsString()
  @MaxLength(100)
  folder!: string;
}

export class ChangePattern {
  @ApiProperty({ required: false })
  @IsOptional()
  @IsString()
  @Matches(/\S/, { message: "must not be empty" })
  @Length(1, 200)
  name?: string;

  @ApiProperty({ required: false })
  @IsOptional()
  @IsString()
  @MaxLength(100)
  folder?: string;
}
