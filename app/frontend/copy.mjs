// Puts htmx, the fonts and our own scripts beside the built style sheet, where the application serves them.
import { copyFileSync, mkdirSync, readdirSync } from "node:fs";

const out = "../target/frontend/assets";
mkdirSync(`${out}/fonts`, { recursive: true });
copyFileSync("node_modules/htmx.org/dist/htmx.min.js", `${out}/htmx.js`);
for (const file of readdirSync("src").filter((name) => name.endsWith(".js") || name.endsWith(".svg"))) {
  copyFileSync(`src/${file}`, `${out}/${file}`);
}
const text = "node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next";
const mono = "node_modules/@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono";
for (const subset of ["latin", "latin-ext"]) {
  copyFileSync(`${text}-${subset}-wght-normal.woff2`, `${out}/fonts/text-${subset}.woff2`);
  copyFileSync(`${mono}-${subset}-400-normal.woff2`, `${out}/fonts/mono-${subset}.woff2`);
  copyFileSync(`${mono}-${subset}-600-normal.woff2`, `${out}/fonts/mono-semibold-${subset}.woff2`);
}
