// Lists the files of the core in the browser, so that a device can take all of them: list-core.mjs FOLDER BUILD.
import { createHash } from "node:crypto";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";

const [folder, build] = process.argv.slice(2);
const files = readdirSync(folder)
  .filter((name) => !name.endsWith(".br") && !name.startsWith(".") && name !== "files.json")
  .map((name) => ({
    url: `/core/${name}`,
    sha256: createHash("sha256").update(readFileSync(join(folder, name))).digest("hex"),
  }));
writeFileSync(join(folder, "files.json"), JSON.stringify({ build, files }));
