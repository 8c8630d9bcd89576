import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { hostname, networkInterfaces } from "node:os";
import { dirname } from "node:path";
import { X509Certificate } from "node:crypto";
import { createSecureContext } from "node:tls";
import type { DataFolder } from "../data/folder.ts";
import { Refused } from "../data/refused.ts";
import type { Options } from "../options.ts";

/** What HTTPS is spoken with. */
export interface Certificate {
  /** PEM. */
  cert: string;
  key: string;
  /** Whether it was made here, so that nobody vouches for it. */
  isOwn: boolean;
}

const DAY = 86_400_000;
/** Days that a certificate lasts: systems trust none that lasts longer than 825. */
const LASTS = 820;
/** Days before its end at which another is made. */
const RENEW = 30;

/** The certificate that is asked for: from files, or made at the first start and kept. Throws Refused with a sentence. */
export async function certificateOf({ tls }: Options, folder: DataFolder): Promise<Certificate | null> {
  if (tls === null) return null;
  if (tls === "own") return ownCertificate(folder);
  const certificate = { cert: read(tls.cert), key: read(tls.key), isOwn: false };
  return usable(certificate) ?? refuse(`${tls.cert} and ${tls.key} are no certificate and its key in PEM.`);
}

/** The addresses of this machine in its networks (IPv4), of its own network first. */
export const addressesHere = (): string[] =>
  Object.values(networkInterfaces()).flatMap((all) =>
    (all ?? []).flatMap(({ family, internal, address }) => (family === "IPv4" && !internal ? [address] : [])),
  );

async function ownCertificate({ tls: path }: DataFolder): Promise<Certificate> {
  if (existsSync(path)) {
    const kept = usable({ ...(JSON.parse(readFileSync(path, "utf8")) as Certificate), isOwn: true });
    if (kept && Date.parse(new X509Certificate(kept.cert).validTo) > Date.now() + RENEW * DAY) return kept;
  }
  const { generate } = await import("selfsigned");
  const name = hostname();
  const made = await generate([{ name: "commonName", value: `Wide Quilt on ${name}`.slice(0, 64) }], {
    keyType: "ec",
    curve: "P-256",
    algorithm: "sha256",
    notBeforeDate: new Date(Date.now() - DAY),
    notAfterDate: new Date(Date.now() + LASTS * DAY),
    extensions: [
      { name: "basicConstraints", cA: true, critical: true },
      {
        name: "subjectAltName",
        altNames: [
          ...["localhost", name, `${name}.local`].map((value) => ({ type: 2 as const, value })),
          ...["127.0.0.1", ...addressesHere()].map((ip) => ({ type: 7 as const, ip })),
        ],
      },
    ],
  });
  const certificate = { cert: made.cert, key: made.private, isOwn: true };
  mkdirSync(dirname(path), { recursive: true, mode: 0o700 });
  // Whole or not at all: half a key would keep the server from starting.
  writeFileSync(`${path}.new`, JSON.stringify(certificate), { mode: 0o600 });
  renameSync(`${path}.new`, path);
  return certificate;
}

/** A certificate and a key that belong together; null otherwise. */
function usable(certificate: Certificate): Certificate | null {
  try {
    createSecureContext(certificate);
    return certificate;
  } catch {
    return null;
  }
}

function read(path: string): string {
  try {
    return readFileSync(path, "utf8");
  } catch {
    return refuse(`${path} cannot be read.`);
  }
}

const refuse = (why: string): never => {
  throw new Refused(`${why} --tls takes the file of a certificate and that of its key, or “own”.`);
};
