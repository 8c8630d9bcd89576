import { X509Certificate } from "node:crypto";
import { Controller, Get, Inject, Res } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { Response } from "express";
import type { NetworkView } from "../contract.ts";
import { LOOPBACK, type Options } from "../options.ts";
import { Problem } from "../safety/problem.ts";
import { attachment } from "../web/attachment.ts";
import { addressesHere, type Certificate } from "./certificate.ts";

export const NETWORK = Symbol("network");

/** How this server is reached. */
export interface Network extends Pick<Options, "host" | "base"> {
  port: number;
  certificate: Certificate | null;
}

/** How other computers, tablets and telephones reach this server. */
@ApiTags("Network")
@Controller("api/network")
export class NetworkController {
  constructor(@Inject(NETWORK) private readonly network: Network) {}

  @Get()
  @ApiOperation({
    summary: "Addresses of this server for other computers, and the certificate that they are shown",
  })
  view(): NetworkView {
    const { host, port, base, certificate } = this.network;
    const scheme = certificate ? "https" : "http";
    const hosts = LOOPBACK.includes(host)
      ? []
      : host === "0.0.0.0" || host === "::"
        ? addressesHere()
        : [host];
    return {
      addresses: hosts.map((one) => `${scheme}://${one}:${port}${base}/`),
      certificate: certificate && aboutCertificate(certificate),
    };
  }

  @Get("certificate")
  @ApiOperation({ summary: "The certificate, to be accepted by other computers (PEM)" })
  certificate(@Res() response: Response): void {
    const { certificate } = this.network;
    if (!certificate)
      throw Problem.notFound("certificate", "This server speaks plain HTTP, without a certificate.");
    response.setHeader("Content-Disposition", attachment("wide-quilt.crt"));
    response.type("application/x-x509-ca-cert").send(certificate.cert);
  }
}

function aboutCertificate({ cert, isOwn }: Certificate): NetworkView["certificate"] {
  const { fingerprint256, validTo } = new X509Certificate(cert);
  return { isOwn, fingerprint: fingerprint256, until: new Date(validTo).toISOString() };
}
