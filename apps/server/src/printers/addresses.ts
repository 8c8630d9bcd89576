import { isIP } from "node:net";
import { PrinterFault } from "@wide-quilt/ipp";

/** The port of IPP where an address says none (RFC 3510, 4.1). */
const IPP_PORT = 631;

/** Which addresses printers are spoken to at, so that the server is nobody's way to other machines. */
export class PrinterAddresses {
  constructor(
    /** Null for any. */
    private readonly ports: ReadonlySet<number> | null,
  ) {}

  /** An address as it may be asked, without anything secret in it. Throws PrinterFault with a sentence. */
  checked(address: string): string {
    if (!/^ipps?:\/\/[^\s]{1,300}$/.test(address) || !URL.canParse(address)) {
      throw new PrinterFault("An address such as ipp://192.168.1.20/ipp/print is wanted.");
    }
    // Only addresses of the web are taken apart by the standard’s rules; IPP’s are the same but for their name.
    const url = new URL(address.replace(/^ipp/, "http"));
    if (url.username !== "" || url.password !== "") {
      throw new PrinterFault("An address with a name and a password in it is not taken. Leave them out.");
    }
    const port = url.port === "" ? (address.startsWith("ipp:") ? IPP_PORT : 443) : Number(url.port);
    if (this.ports !== null && !this.ports.has(port) && port !== IPP_PORT) {
      throw new PrinterFault(
        `Printers are not spoken to at port ${port}. Where yours listens there, start Wide Quilt with --printer-ports ${port}.`,
      );
    }
    if (isLinkLocal(url.hostname)) {
      throw new PrinterFault(
        "This is an address that machines give themselves (169.254 or fe80), which is not printed at. Give the printer one of your network, or use its name.",
      );
    }
    return address;
  }
}

/** RFC 3927 and RFC 4291, 2.5.6; and IPv4 written as IPv6. */
function isLinkLocal(host: string): boolean {
  const bare = host.replace(/^\[(.*)\]$/, "$1").toLowerCase();
  if (isIP(bare) === 4) return bare.startsWith("169.254.");
  return /^fe[89ab]/.test(bare) || /^::ffff:a9fe:/.test(bare);
}
