// Puts a brotli file beside every file of the core in the browser, and says how large they are together.
import { readdir, readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { promisify } from "node:util";
import { brotliCompress, constants } from "node:zlib";

const folder = process.argv[2];
const compress = promisify(brotliCompress);
const names = (await readdir(folder)).filter((name) => !name.endsWith(".br"));
const sizes = await Promise.all(
  names.map(async (name) => {
    const plain = await readFile(join(folder, name));
    const packed = await compress(plain, {
      params: {
        [constants.BROTLI_PARAM_LGWIN]: 24,
        [constants.BROTLI_PARAM_SIZE_HINT]: plain.length,
      },
    });
    await writeFile(join(folder, `${name}.br`), packed);
    return packed.length;
  }),
);
const total = sizes.reduce((sum, size) => sum + size, 0);
console.log(
  `The core in the browser: ${(total / 1e6).toFixed(2)} MB compressed.`,
);
