import { readdir, readFile, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';

const SQUEEZED = /\.(js|css|svg|html|json|webmanifest)$/;
/** Bytes below which it is not worth it. */
const FROM = 250;
const squeeze = promisify(brotliCompress);

/** Puts a compressed copy beside each file of a folder that browsers will ask for again and again. */
export async function squeezeFiles(folder) {
  const names = await readdir(folder, { recursive: true });
  await Promise.all(
    names
      .filter((name) => SQUEEZED.test(name))
      .map(async (name) => {
        const path = join(folder, name);
        if ((await stat(path)).size < FROM) return;
        const params = { [constants.BROTLI_PARAM_QUALITY]: 11 };
        await writeFile(`${path}.br`, await squeeze(await readFile(path), { params }));
      }),
  );
}
