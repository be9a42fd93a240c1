const painted = ["fill", "stroke", "font-family", "font-size", "font-weight", "transform", "visibility"] as const;

/** A drawing as a file of its own: what style sheets and variables say stands on each element. */
export function svgText(drawing: SVGSVGElement): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const originals = [drawing, ...drawing.querySelectorAll<SVGElement>("*")];
  const copies = [copy, ...copy.querySelectorAll<SVGElement>("*")];
  originals.forEach((from, i) => {
    const to = copies[i];
    if (!to) return;
    const style = getComputedStyle(from);
    const halo = from.classList.contains("halo");
    to.removeAttribute("class");
    to.removeAttribute("style");
    for (const name of painted) {
      const value = style.getPropertyValue(name);
      if (name === "transform") {
        if (value !== "none" && from.style.transform !== "") to.setAttribute("transform", value);
      } else if (name.startsWith("font")) {
        if (from.tagName === "text" || from.tagName === "tspan") to.setAttribute(name, value.replaceAll('"', "'"));
      } else if (name === "visibility") {
        if (value === "hidden") to.setAttribute(name, value);
      } else if (value !== "" && !value.startsWith("url")) {
        to.setAttribute(name, value);
      }
    }
    if (halo) {
      to.setAttribute("paint-order", "stroke");
      to.setAttribute("stroke-width", "4");
      to.setAttribute("stroke-linejoin", "round");
    }
  });
  const { width, height } = drawing.getBoundingClientRect();
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  copy.setAttribute("width", `${width / (96 / 25.4)}mm`);
  copy.setAttribute("height", `${height / (96 / 25.4)}mm`);
  copy.setAttribute("viewBox", `0 0 ${width} ${height}`);
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(copy)}\n`;
}

/** Gives a text out as a file. */
export function saveText(text: string, name: string, type: string): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(new Blob([text], { type }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
