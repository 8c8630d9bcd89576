import { X509Certificate } from "node:crypto";
import { readFile } from "node:fs/promises";
import { request as plainly, type RequestOptions } from "node:http";
import { request as securely } from "node:https";
import { join } from "node:path";
import { rootCertificates } from "node:tls";
import { Said } from "./said.ts";

/** A Wide Quilt that runs. */
export interface Running {
  address: string;
  /** What it speaks HTTPS with (PEM): no other is believed; null for plain HTTP. */
  certificate: string | null;
}

/** What a server answered. */
export interface Answer {
  status: number;
  text: string;
}

/** The server that works over a data folder. Throws Said where there is none. */
export async function runningOver(folder: string): Promise<Running> {
  try {
    const note = JSON.parse(
      await readFile(join(folder, "wide-quilt", "running.json"), "utf8"),
    ) as Partial<Running>;
    return { address: note.address!, certificate: note.certificate ?? null };
  } catch {
    throw new Said(`No Wide Quilt runs over ${folder}. Start it, or say which folder with --data DIR.`);
  }
}

/** Asks a server for something, with the key of the environment. Throws Said where it does not answer. */
export function ask({ address, certificate }: Running, path: string, body?: object): Promise<Answer> {
  const key = process.env.WIDE_QUILT_KEY;
  const options: RequestOptions = {
    method: body ? "POST" : "GET",
    headers: {
      "Content-Type": "application/json",
      ...(key !== undefined && { Authorization: `Bearer ${key}` }),
    },
  };
  return new Promise((resolve, reject) => {
    const url = `${address}api${path}`;
    const asked =
      certificate === null ? plainly(url, options) : securely(url, { ...options, ...pinned(certificate) });
    asked.on("error", () =>
      reject(new Said(`Wide Quilt does not answer at ${address}. Start it, then ask again.`)),
    );
    asked.on("response", (response) => {
      let text = "";
      response.setEncoding("utf8");
      response.on("data", (chunk: string) => (text += chunk));
      response.on("end", () => resolve({ status: response.statusCode!, text }));
    });
    asked.end(body && JSON.stringify(body));
  });
}

/** Whatever name the address has: it is this very certificate, or nobody is spoken to. */
function pinned(certificate: string) {
  const own = new X509Certificate(certificate).raw;
  return {
    ca: [...rootCertificates, certificate],
    checkServerIdentity: (_name: string, peer: { raw: Buffer }) =>
      peer.raw.equals(own) ? undefined : new Error("another certificate"),
  };
}
