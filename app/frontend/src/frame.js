// Aiming: arrow keys and dragging on the picture change the typed direction, which is what the server is asked with.
(() => {
  const form = document.getElementById("framing");
  if (!form) return;
  const field = (name) => form.elements[name];
  const number = (name) => Number(String(field(name).value).replace(",", ".")) || 0;
  const wrap = (degrees) => ((degrees % 360) + 360) % 360;

  const turn = (right, up) => {
    const altitude = Math.max(-89, Math.min(89, number("altitude") + up));
    const across = right / Math.max(0.1, Math.cos((altitude * Math.PI) / 180));
    field("azimuth").value = wrap(number("azimuth") + across).toFixed(2);
    field("altitude").value = altitude.toFixed(2);
    field("altitude").dispatchEvent(new Event("input", { bubbles: true }));
  };

  const toggle = (name) => {
    field(name).checked = !field(name).checked;
    field(name).dispatchEvent(new Event("change", { bubbles: true }));
  };

  const inView = (event) => event.target.closest?.("[data-view]");

  document.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.altKey || event.metaKey) return;
    const view = inView(event);
    const typing = event.target.closest("input:not([type=range]):not([type=checkbox]), select, textarea");
    if (view && event.key.startsWith("Arrow")) {
      const step = (Number(view.dataset.field) / 40) * (event.shiftKey ? 5 : 1);
      if (event.key === "ArrowLeft") turn(-step, 0);
      if (event.key === "ArrowRight") turn(step, 0);
      if (event.key === "ArrowUp") turn(0, step);
      if (event.key === "ArrowDown") turn(0, -step);
      event.preventDefault();
      event.stopImmediatePropagation();
    } else if (!typing && event.key === "p") {
      form.querySelector("[data-photograph]")?.click();
    } else if (!typing && event.key === "d") {
      toggle("drift");
    } else if (!typing && event.key === "o") {
      toggle("upright");
    }
  }, true);

  let held = null;
  document.addEventListener("pointerdown", (event) => {
    const view = inView(event);
    if (!view) return;
    held = { x: event.clientX, y: event.clientY, perPixel: Number(view.dataset.field) / view.getBoundingClientRect().width };
    view.focus();
    event.preventDefault();
  });
  document.addEventListener("pointermove", (event) => {
    if (!held) return;
    turn((held.x - event.clientX) * held.perPixel, (event.clientY - held.y) * held.perPixel);
    held.x = event.clientX;
    held.y = event.clientY;
  });
  document.addEventListener("pointerup", () => { held = null; });

  // the picture is replaced while it has the focus: give it back
  let focused = false;
  document.addEventListener("htmx:beforeSwap", () => { focused = Boolean(document.activeElement?.closest?.("[data-view]")); });
  document.addEventListener("htmx:afterSwap", () => { if (focused) document.querySelector("[data-view]")?.focus(); });
})();
