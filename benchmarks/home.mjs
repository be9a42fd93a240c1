// Measures the core that was published for the browser, in Node: start, first answer, and answers after it.
import { readFileSync } from "node:fs";

const core = new URL(
  "../artifacts/app/wwwroot/core/dotnet.js",
  import.meta.url,
);
const demo = new URL("../src/Draklo.Web/Demo/lime.json", import.meta.url);
const plan = JSON.stringify(JSON.parse(readFileSync(demo, "utf8")).plan);

const began = performance.now();
const { dotnet } = await import(core.href);
const runtime = await dotnet.create();
const { Program } = (await runtime.getAssemblyExports("Draklo.Browser.dll"))
  .Draklo.Browser;
const started = performance.now();
Program.Answer("/api/analysis", "workings=false", plan, () => undefined);
const first = performance.now();
const times = [];
for (let i = 0; i < 200; i++) {
  const start = performance.now();
  Program.Answer("/api/analysis", "workings=false", plan, () => undefined);
  times.push(performance.now() - start);
}
times.sort((a, b) => a - b);
const said = (ms) => `${ms.toFixed(ms < 100 ? 1 : 0)} ms`;
console.log(`The core in the browser, run by Node ${process.version}`);
console.log(
  `  start ${said(started - began)}, first answer ${said(first - began)} after it was asked for`,
);
console.log(
  `  analysis of the lime with JSON both ways: median ${said(times[100])}, p95 ${said(times[190])}`,
);

// The finder, in a core that has answered before: the search alone, over the demo locker.
const { pieces } = JSON.parse(
  readFileSync(
    new URL("../src/Draklo.Web/Demo/locker.json", import.meta.url),
    "utf8",
  ),
);
Program.Know(
  JSON.stringify({
    today: "2026-11-27",
    items: pieces.map((piece) => piece.item),
    kitIds: [],
    tackles: [],
    standings: { metric: {}, us: {} },
    days: [],
  }),
);
const searching = performance.now();
let [tried, reports] = [0, 0];
Program.Answer("/api/rigs", "units=metric", plan, (_, total) => {
  tried = total;
  reports++;
});
const searched = performance.now() - searching;
console.log(
  `  finder: ${tried} combinations in ${said(searched)}, ${reports} reports of progress; 5,000 would take ${said((searched / tried) * 5000)}`,
);
process.exit(0);
