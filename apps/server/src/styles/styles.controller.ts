import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post } from "@nestjs/common";
import { ApiOperation, ApiProperty, ApiTags } from "@nestjs/swagger";
import { IsObject, IsString, Length, Matches } from "class-validator";
import type { StyleView } from "../contract.ts";
import { StylesService } from "./styles.service.ts";

class KeepStyle {
  @ApiProperty({ example: "Member proofs" })
  @IsString()
  @Matches(/\S/, { message: "must not be empty" })
  @Length(1, 200)
  name!: string;

  @ApiProperty({
    type: "object",
    additionalProperties: true,
    description: "Border, mat, caption and look, or some",
  })
  @IsObject()
  style!: Record<string, unknown>;
}

@ApiTags("Styles")
@Controller("api/styles")
export class StylesController {
  constructor(@Inject(StylesService) private readonly styles: StylesService) {}

  @Get()
  @ApiOperation({ summary: "Styles that were kept, by name" })
  list(): StyleView[] {
    return this.styles.list();
  }

  @Post()
  @ApiOperation({ summary: "Keeps a style or a look under a name" })
  keep(@Body() { name, style }: KeepStyle): StyleView {
    return this.styles.keep(name, style);
  }

  @Delete(":id")
  @HttpCode(204)
  @ApiOperation({ summary: "Forgets a kept style; jobs that wear it keep it on" })
  remove(@Param("id") id: string): void {
    this.styles.remove(id);
  }
}
