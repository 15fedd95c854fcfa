// Puts htmx, the fonts and our own scripts beside the built style sheet, where the application serves them.
import { copyFileSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from "node:fs";
import wawoff from "wawoff2";

const out = "../target/frontend/assets";
mkdirSync(`${out}/fonts`, { recursive: true });
copyFileSync("node_modules/htmx.org/dist/htmx.min.js", `${out}/htmx.js`);
for (const file of readdirSync("src").filter((name) => /\.(js|svg|webmanifest)$/.test(name))) {
  copyFileSync(`src/${file}`, `${out}/${file}`);
}
const text = "node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next";
const mono = "node_modules/@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono";
for (const subset of ["latin", "latin-ext"]) {
  copyFileSync(`${text}-${subset}-wght-normal.woff2`, `${out}/fonts/text-${subset}.woff2`);
  copyFileSync(`${mono}-${subset}-400-normal.woff2`, `${out}/fonts/mono-${subset}.woff2`);
  copyFileSync(`${mono}-${subset}-600-normal.woff2`, `${out}/fonts/mono-semibold-${subset}.woff2`);
}
// the printed card needs its fonts as TrueType
const card = "node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin";
for (const weight of [400, 700]) {
  writeFileSync(`${out}/fonts/text-${weight}.ttf`, await wawoff.decompress(readFileSync(`${card}-${weight}-normal.woff2`)));
}
