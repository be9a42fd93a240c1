// Asks the core that was published for the browser: a question on each line in, an answer on each line out.
import { createInterface } from "node:readline";
import { pathToFileURL } from "node:url";

const { dotnet } = await import(pathToFileURL(process.argv[2]).href);
const runtime = await dotnet.create();
const { Program } = (await runtime.getAssemblyExports("Draklo.Browser.dll")).Draklo.Browser;

for await (const line of createInterface({ input: process.stdin })) {
  const { locker, path, query, body } = JSON.parse(line);
  process.stdout.write(
    `${locker === undefined ? Program.Answer(path, query, body, () => undefined) : Program.Know(locker)}\n`,
  );
}
process.exit(0);
