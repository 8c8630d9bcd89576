/** `npm run notice`: NOTICE, what others wrote that Wide Quilt is made of, with their licences, from the lock file. */
import { existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ROOT } from "./house.mjs";

const lock = JSON.parse(readFileSync(join(ROOT, "package-lock.json"), "utf8"));
const TEXT = /^(licen[cs]e|copying|notice)(\.|-|$)/i;
/** Beyond these a person has to look. */
const COMPATIBLE =
  /^\(?(MIT|MIT-0|ISC|BSD-2-Clause|BSD-3-Clause|0BSD|Apache-2\.0|CC0-1\.0|CC-BY-4\.0|BlueOak-1\.0\.0|Python-2\.0|Unlicense|OFL-1\.1|Zlib|MPL-2\.0|LGPL-3\.0(-or-later)?|W3C|WTFPL)\b/;

/** Packages that are part of what runs, each once. */
const parts = Object.entries(lock.packages)
  .filter(([path, { dev, link, optional }]) => path.startsWith("node_modules/") && !dev && !link && !optional)
  .map(([path, { version, license }]) => ({
    name: path.replace(/^.*node_modules\//, ""),
    version,
    license,
    path,
  }))
  .sort((a, b) => a.name.localeCompare(b.name, "en") || a.version.localeCompare(b.version, "en"));

/** Whether a text is that of the BSD licence of two clauses: the third one forbids to name its authors. */
const isBsd2 = (text) =>
  /redistributions in binary form must reproduce/i.test(text) && !/endorse or promote/i.test(text);

const said = (license) => (typeof license === "object" ? license?.type : license);

function about({ name, version, license, path }) {
  const folder = join(ROOT, path);
  const own = existsSync(join(folder, "package.json"))
    ? JSON.parse(readFileSync(join(folder, "package.json"), "utf8"))
    : {};
  const file = existsSync(folder) ? readdirSync(folder).find((one) => TEXT.test(one)) : undefined;
  const text = file ? readFileSync(join(folder, file), "utf8").trim() : "";
  const kind =
    said(license) ??
    said(own.license) ??
    said(own.licenses?.[0]) ??
    (text.startsWith("MIT License") ? "MIT" : isBsd2(text) ? "BSD-2-Clause" : "not said");
  const holder = text
    .split("\n")
    .find((line) => /copyright/i.test(line) && /\d{4}|\(c\)/i.test(line))
    ?.trim();
  return { line: `${name} ${version}\n  ${kind}${holder ? `\n  ${holder.slice(0, 160)}` : ""}`, kind, name };
}

const all = [...new Map(parts.map((part) => [`${part.name} ${part.version}`, part])).values()].map(about);
const doubtful = all.filter(({ kind }) => !COMPATIBLE.test(kind));
const text = `Wide Quilt is made of its own source, under the licence in LICENSE, and of these packages, each under its own licence.
Their full texts lie in node_modules beside them. This file is written by “npm run notice” from package-lock.json.

${all.map(({ line }) => line).join("\n\n")}
`;
const path = join(ROOT, "NOTICE");
if (process.argv.includes("--check")) {
  if (readFileSync(path, "utf8") !== text) {
    console.error("NOTICE is not what package-lock.json says. Run “npm run notice”.");
    process.exitCode = 1;
  }
} else writeFileSync(path, text);
if (!process.argv.includes("--check"))
  console.log(
    `${all.length} packages.${doubtful.length > 0 ? ` To be looked at: ${doubtful.map(({ name, kind }) => `${name} (${kind})`).join(", ")}` : ""}`,
  );
if (doubtful.length > 0) process.exitCode = 1;
