// Writes the bill of materials, CycloneDX 1.6, from the lock files: what ships, with its version and digest.
import { readFileSync } from "node:fs";

const version = process.argv[2] ?? "0";
const read = (file) => JSON.parse(readFileSync(new URL(`../${file}`, import.meta.url), "utf8"));

const nuget = Object.values(read("src/Draklo.Web/packages.lock.json").dependencies)
  .flatMap((framework) => Object.entries(framework))
  .filter(([, p]) => p.type !== "Project" && p.resolved)
  .map(([name, p]) => ({
    type: "library",
    name,
    version: p.resolved,
    purl: `pkg:nuget/${name}@${p.resolved}`,
    hashes: [{ alg: "SHA-512", content: Buffer.from(p.contentHash, "base64").toString("hex") }],
  }));

// What the front end's build takes in; what only builds or tests it does not ship.
const npm = Object.entries(read("web/package-lock.json").packages)
  .filter(([path, p]) => path.startsWith("node_modules/") && !p.dev && !p.devOptional)
  .map(([path, p]) => {
    const name = path.slice(path.lastIndexOf("node_modules/") + "node_modules/".length);
    const digest = p.integrity?.split(" ")[0]?.replace("sha512-", "");
    return {
      type: "library",
      name,
      version: p.version,
      purl: `pkg:npm/${name.replace("@", "%40")}@${p.version}`,
      ...(p.license && { licenses: [{ license: { name: p.license } }] }),
      ...(digest && { hashes: [{ alg: "SHA-512", content: Buffer.from(digest, "base64").toString("hex") }] }),
    };
  });

const unique = new Map([...nuget, ...npm].map((c) => [c.purl, { "bom-ref": c.purl, ...c }]));
console.log(
  JSON.stringify(
    {
      bomFormat: "CycloneDX",
      specVersion: "1.6",
      version: 1,
      metadata: { component: { type: "application", name: "draklo", version } },
      components: [...unique.values()].sort((a, b) => a.purl.localeCompare(b.purl)),
    },
    null,
    2,
  ),
);
