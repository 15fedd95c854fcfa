// The skyline editor: dots on the panorama and lines in the text field are the same points. The field is what is saved.
(() => {
  const frame = document.querySelector("[data-skyline]");
  const svg = frame?.querySelector("svg");
  const field = frame && document.getElementById(frame.dataset.skyline);
  if (!svg || !field) return;

  const [WIDTH, HEIGHT, TOP, BOTTOM] = [1080, 270, 75, -8];
  const ground = svg.querySelector("[data-ground]");
  const handles = svg.querySelector("[data-handles]");
  const x = (azimuth) => (azimuth / 360) * WIDTH;
  const y = (altitude) => (HEIGHT * (TOP - altitude)) / (TOP - BOTTOM);
  const clamp = (value, low, high) => Math.max(low, Math.min(high, value));
  let points = [];

  // as the server reads them: by comma with points, or by semicolon, tab or space, then with commas too
  const byComma = /^\s*([+\-−]?\d+(?:\.\d+)?)\s*,\s*([+\-−]?\d+(?:\.\d+)?)\s*$/;
  const byOther = /^\s*([+\-−]?\d+(?:[.,]\d+)?)\s*[;\t ]\s*([+\-−]?\d+(?:[.,]\d+)?)\s*$/;
  const number = (text) => Number(text.replace(",", ".").replace("−", "-"));

  // what is no corner yet stays as it was typed; only what the pointer moves is written anew
  let lines = [];
  const read = () => {
    lines = field.value.split(/\r?\n/).map((text) => {
      const m = text.match(byComma) ?? text.match(byOther);
      const point = m && { azimuth: number(m[1]), altitude: number(m[2]) };
      return { text, point: point && point.azimuth >= 0 && point.azimuth <= 360 ? point : null };
    });
    points = lines.filter((line) => line.point).map((line) => line.point);
    draw();
  };

  const write = (moved) => {
    let line = lines.find((l) => l.point === moved);
    if (!line) {
      while (lines.length > 0 && lines[lines.length - 1].text.trim() === "") lines.pop();
      line = { point: moved };
      lines.push(line);
    }
    line.text = `${moved.azimuth.toFixed(1)},${moved.altitude.toFixed(1)}`;
    field.value = lines.map((l) => l.text).join("\n");
  };

  const draw = () => {
    const sorted = [...points].sort((a, b) => a.azimuth - b.azimuth);
    let outline = `M0,${HEIGHT}`;
    if (sorted.length > 0) {
      const first = sorted[0];
      const last = sorted[sorted.length - 1];
      const share = (360 - last.azimuth) / (first.azimuth + 360 - last.azimuth || 1);
      const north = last.altitude + (first.altitude - last.altitude) * share;
      outline += `L0,${y(north)}` + sorted.map((p) => `L${x(p.azimuth)},${y(p.altitude)}`).join("") + `L${WIDTH},${y(north)}`;
    } else {
      outline += `L0,${y(0)}L${WIDTH},${y(0)}`;
    }
    ground.setAttribute("d", outline + `L${WIDTH},${HEIGHT}Z`);
    handles.replaceChildren(...points.map((p) => {
      const dot = document.createElementNS("http://www.w3.org/2000/svg", "circle");
      dot.setAttribute("class", "handle");
      dot.setAttribute("r", "6");
      dot.setAttribute("cx", x(p.azimuth));
      dot.setAttribute("cy", y(p.altitude));
      dot.point = p;
      return dot;
    }));
  };

  const at = (event) => {
    const box = svg.getBoundingClientRect();
    return {
      azimuth: clamp(((event.clientX - box.left) / box.width) * 360, 0, 359.9),
      altitude: clamp(TOP - ((event.clientY - box.top) / box.height) * (TOP - BOTTOM), BOTTOM, TOP),
    };
  };

  let held = null;
  svg.addEventListener("pointerdown", (event) => {
    held = event.target.point ?? null;
    if (!held) {
      held = at(event);
      points.push(held);
    }
    svg.setPointerCapture(event.pointerId);
    Object.assign(held, at(event));
    draw();
    event.preventDefault();
  });
  svg.addEventListener("pointermove", (event) => {
    if (held) {
      Object.assign(held, at(event));
      draw();
    }
  });
  svg.addEventListener("pointerup", () => {
    if (held) {
      write(held);
      held = null;
    }
  });
  field.addEventListener("input", read);
  read();
})();
