import { spawn } from "node:child_process";

const OPENERS: Partial<Record<NodeJS.Platform, [string, string[]]>> = {
  darwin: ["open", []],
  win32: ["cmd", ["/c", "start", ""]],
};

/** Opens an address in the person's browser, where there is one. */
export function openInBrowser(address: string): void {
  const [command, args] = OPENERS[process.platform] ?? ["xdg-open", []];
  spawn(command, [...args, address], { detached: true, stdio: "ignore" })
    // A machine without a browser has its address in the terminal.
    .on("error", () => undefined)
    .unref();
}
