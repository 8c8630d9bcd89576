import { ApiProperty } from "@nestjs/swagger";
import { IsString, Length } from "class-validator";

export class AskPrinterCan {
  @ApiProperty({ example: "ipp://192.168.1.20/ipp/print" })
  @IsString()
  @Length(1, 310)
  address!: string;
}
