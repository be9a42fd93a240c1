import { Refused } from "../ui/Refused";
import { FileButton } from "../ui/FileButton";
import { useStarts } from "../state/starts";
import { useState } from "react";
import { api, Refusal, sayWhy } from "../api/client";
import type { Plan } from "../api/types";
import { setMember } from "../state/store";
import { Button } from "../ui/controls";
import { Group, Member } from "./fields";

/** The site as GeoJSON, out and in, about its origin. */
export function SiteFiles({ plan }: { plan: Plan }) {
  const starts = useStarts();
  const [said, setSaid] = useState<string | null>(null);
  const origin = plan.site.origin;

  async function read(chosen: File): Promise<void> {
    setSaid(null);
    try {
      if (chosen.size > 900 * 1024)
        throw new Refusal(413, `“${chosen.name}” is larger than 900 kB: leave out what the tree cannot reach.`);
      const text = await chosen.text();
      let parsed: unknown;
      try {
        parsed = JSON.parse(text);
      } catch {
        throw new Refusal(
          400,
          `“${chosen.name}” is not readable JSON: open it where it was made and save it once more.`,
        );
      }
      const site = await api.importSite(plan.site, parsed);
      setMember("site", site);
      setSaid(`${site.targets.length - plan.site.targets.length} targets added from “${chosen.name}”.`);
    } catch (error) {
      setSaid(sayWhy(error));
    }
  }

  async function write(): Promise<void> {
    setSaid(null);
    try {
      const blob = await api.siteFile(plan);
      const link = document.createElement("a");
      link.href = URL.createObjectURL(blob);
      link.download = "site.geojson";
      link.click();
      URL.revokeObjectURL(link.href);
    } catch (error) {
      setSaid(sayWhy(error));
    }
  }

  return (
    <Group title="GeoJSON">
      {origin ? (
        <>
          <Member path="site.origin.latitudeDeg" />
          <Member path="site.origin.longitudeDeg" />
        </>
      ) : (
        <Button
          onClick={() => {
            setMember("site.origin", starts.origin);
          }}
        >
          Give the stump's place on the map
        </Button>
      )}

      <div className="mt-1.5 flex gap-2">
        <FileButton
          label="GeoJSON file"
          accept=".geojson,.json,application/geo+json,application/json"
          onFile={(chosen) => {
            void read(chosen);
          }}
        >
          Read targets
        </FileButton>
        <Button
          onClick={() => {
            void write();
          }}
        >
          Write the site
        </Button>
      </div>
      <Refused>{said}</Refused>
    </Group>
  );
}
