// Takes on the night: dragged, stretched by their right end, moved and stretched by keys. The server answers with the new night.
(() => {
  const work = () => document.getElementById("work");
  const lanes = () => document.getElementById("lanes");
  if (!work()) return;

  // one after the other: each answer is the night that the next change is made to
  let last = Promise.resolve();
  const send = (block, path, values) => {
    const address = `${work().dataset.base}/takes/${block.dataset.id}/${path}`;
    last = last.then(() => window.htmx.ajax("POST", address, { target: "#work", select: "#work", swap: "outerHTML", values })).catch(() => {});
  };
  const shape = (block) => block.querySelector("svg");
  const perMinute = () => 100 / (Number(lanes().dataset.last) - Number(lanes().dataset.first));
  const draw = (block, minute, lasts) => {
    shape(block).setAttribute("x", `${(minute - Number(lanes().dataset.first)) * perMinute()}%`);
    shape(block).setAttribute("width", `${Math.max(0.2, lasts * perMinute())}%`);
  };

  // several presses of a key are one step
  let waiting = null;
  const flush = () => {
    if (!waiting) return;
    clearTimeout(waiting.timer);
    const { act } = waiting;
    waiting = null;
    act();
  };
  const soon = (moves, act) => {
    clearTimeout(waiting?.timer);
    waiting = { act, moves, timer: setTimeout(flush, 180) };
  };

  // by pointer: what was dragged is sent once, when it is let go
  let held = null;
  document.addEventListener("pointerdown", (e) => {
    const block = e.target.closest?.("[data-block]");
    if (!block || e.button !== 0) return;
    flush();
    const stretch = block.dataset.stretches === "true" && Boolean(e.target.closest("[data-grip]"));
    held = { block, stretch, x: e.clientX, minute: Number(block.dataset.minute), lasts: Number(block.dataset.lasts), by: 0 };
    block.setPointerCapture?.(e.pointerId);
  });
  document.addEventListener("pointermove", (e) => {
    if (!held) return;
    const minutes = (e.clientX - held.x) / lanes().getBoundingClientRect().width * (Number(lanes().dataset.last) - Number(lanes().dataset.first));
    held.by = Math.round(minutes);
    if (held.stretch) draw(held.block, held.minute, Math.max(1, held.lasts + held.by));
    else draw(held.block, held.minute + held.by, held.lasts);
  });
  document.addEventListener("pointerup", () => {
    if (!held) return;
    const { block, stretch, minute, lasts, by } = held;
    held = null;
    if (by === 0) return;
    block.dataset.moved = "true";
    if (stretch) send(block, "length", { minutes: Math.max(1, lasts + by) });
    else send(block, "pin", { minute: minute + by });
  });
  document.addEventListener("click", (e) => {
    if (e.target.closest?.("[data-moved]")) e.preventDefault();
  }, true);
  document.addEventListener("dragstart", (e) => { if (e.target.closest?.("[data-block]")) e.preventDefault(); });

  // by keys
  document.addEventListener("keydown", (e) => {
    const block = e.target.closest?.("[data-block]");
    if (!block || e.ctrlKey || e.altKey || e.metaKey) return;
    const moves = e.key.startsWith("Arrow");
    if (waiting && waiting.moves !== moves) flush();
    const step = e.shiftKey ? 10 : 1;
    const data = block.dataset;
    if (e.key === "ArrowLeft" || e.key === "ArrowRight") {
      data.minute = Number(data.minute) + (e.key === "ArrowLeft" ? -step : step);
      soon(true, () => send(block, "pin", { minute: data.minute }));
    } else if ((e.key === "+" || e.key === "-") && data.stretches === "true") {
      data.lasts = Math.max(1, Number(data.lasts) + (e.key === "-" ? -5 : 5));
      soon(false, () => send(block, "length", { minutes: data.lasts }));
    } else if (e.key === "Delete") {
      flush();
      send(block, "delete", {});
    } else {
      return;
    }
    draw(block, Number(data.minute), Number(data.lasts));
    e.preventDefault();
    e.stopImmediatePropagation();
  }, true);
})();
