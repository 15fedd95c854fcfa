// Dials by keys, wheel and finger; the screen follows. What the frame shows, and what it is worth, the server says.
(() => {
  const form = () => document.getElementById("camera");
  const finder = () => document.getElementById("finder");
  const dials = () => [...(form()?.querySelectorAll("[data-dial]") ?? [])];
  const chosen = () => dials().find((dial) => "chosen" in dial.dataset);

  // the picture asked for last is shown last, one at a time
  let asking = false;
  let wanted = null;
  const ask = (address) => {
    wanted = address;
    if (asking || !finder()) return;
    asking = true;
    const next = new Image();
    const done = () => {
      asking = false;
      if (next.naturalWidth && finder()) finder().src = next.src;
      if (wanted !== address) ask(wanted);
    };
    next.onload = done;
    next.onerror = done;
    next.src = address;
  };

  let magnified = false;
  let eclipse = null;
  const screen = (at) => {
    if (!finder()?.dataset.screen) return;
    const query = new URLSearchParams();
    for (const [name, value] of new FormData(form())) {
      if (!["wheels", "presses", "spans"].includes(name)) query.set(name, value);
    }
    query.set("at", at ?? finder().dataset.at);
    if (magnified) query.set("magnified", "on");
    document.getElementById("shown-as").textContent = magnified ? "the screen, its middle at full size" : "the screen, before the frame";
    ask(`${finder().dataset.screen}?${query}`);
  };

  // neighbours of where a dial stands
  const beside = (dial) => {
    const list = dial.querySelector("select");
    const buttons = [...dial.querySelectorAll("[data-to]")];
    const from = Math.max(0, Math.min(list.length - buttons.length, list.selectedIndex - Math.floor(buttons.length / 2)));
    buttons.forEach((button, i) => {
      button.dataset.to = from + i;
      button.textContent = list.options[from + i].text;
      if (from + i === list.selectedIndex) button.dataset.here = "";
      else delete button.dataset.here;
    });
  };

  let resting;
  const turned = (dial) => {
    if (form().dataset.hand === "BLIND") return; // nothing lights up
    beside(dial);
    screen();
    clearTimeout(resting);
    resting = setTimeout(() => {
      const query = new URLSearchParams([...new FormData(form())].filter(([name]) => !["presses", "spans"].includes(name)));
      const address = `${location.pathname}?${query}&live=on`;
      window.htmx?.ajax("GET", address, { source: "#believed", target: "#believed", select: "#believed", swap: "outerHTML" });
      history.replaceState(history.state, "", address);
    }, 120);
  };

  const set = (dial, index) => {
    const list = dial.querySelector("select");
    const round = dial.dataset.round === "on";
    const to = round ? (index + list.length) % list.length : Math.max(0, Math.min(list.length - 1, index));
    if (to === list.selectedIndex) return;
    list.selectedIndex = to;
    turned(dial);
  };
  const turn = (dial, clicks) => set(dial, dial.querySelector("select").selectedIndex + clicks);

  const choose = (dial) => {
    for (const other of dials()) delete other.dataset.chosen;
    dial.dataset.chosen = "";
  };

  // an exposure takes its time, or the wait is skipped
  let exposure = null;
  const seconds = () => {
    const mode = form().querySelector("#mode")?.value ?? "manual";
    const dial = form().querySelector("#shutter");
    const shutter = dial && mode === "manual" ? Number(dial.selectedOptions[0].dataset.value) : Number(document.getElementById("believed")?.dataset.seconds ?? 0);
    const timer = { "2 s": 2, "10 s": 10 }[form().querySelector("#timer")?.value] ?? 0;
    return shutter + timer;
  };
  const finish = () => {
    clearInterval(exposure?.ticking);
    exposure = null;
    const box = document.getElementById("exposing");
    if (box) box.hidden = true;
    window.htmx.trigger(form(), "expose");
  };
  const expose = () => {
    const lasts = seconds();
    if (lasts < 0.3) return finish();
    const ends = Date.now() + 1000 * lasts; // by the clock: who closes the lid finds the frame done
    const box = document.getElementById("exposing");
    const tick = () => {
      const left = (ends - Date.now()) / 1000;
      if (left <= 0) finish();
      else box.querySelector("[data-left]").textContent = `open, ${left.toFixed(left < 10 ? 1 : 0)} s more`;
    };
    box.hidden = false;
    exposure = { ticking: setInterval(tick, 100) };
    tick();
  };

  document.addEventListener("submit", (event) => {
    if (event.target !== form() || event.target.dataset.hand !== "PRESS" || !window.htmx) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    if (exposure) finish();
    else expose();
  }, true);

  // totality: filter off and on, by the clock of the run
  const now = () => (performance.now() - eclipse.began) / 1000;
  const off = () => eclipse?.off != null;
  const show = () => {
    const key = form().querySelector("[data-filter]");
    key.textContent = off() ? "Put the filter on" : "Take the filter off";
    key.setAttribute("aria-pressed", !off());
    form().querySelector("[name=front]").value = off() ? "nothing" : "solar filter";
  };
  const end = () => {
    if (off()) eclipse.spans.push([eclipse.off, now()]);
    form().querySelector("[name=spans]").value = eclipse.spans.map((s) => s.map((t) => t.toFixed(2)).join(",")).join(";");
    form().querySelector("[name=front]").value = "solar filter";
    clearInterval(eclipse.ticking);
    eclipse = null;
    window.htmx.trigger(form(), "expose");
  };
  const run = (key) => {
    const from = Number(key.dataset.from);
    const to = Number(key.dataset.to);
    clearInterval(eclipse?.ticking);
    eclipse = { began: performance.now(), wall: Date.now(), off: null, spans: [], shown: -1 };
    const second = from - 2; // what a filter window keeps from the contacts
    const third = to + 12;
    form().querySelector("[data-filter]").disabled = false;
    const tick = () => {
      if (!form()) return clearInterval(eclipse?.ticking);
      const slept = Math.abs(Date.now() - eclipse.wall - (performance.now() - eclipse.began)) > 2000;
      if (slept) {
        eclipse.off = null;
        form().querySelector("[data-count]").textContent = "The device has slept: begin again.";
        clearInterval(eclipse.ticking);
        eclipse = null;
        return;
      }
      const t = now();
      form().querySelector("[data-count]").textContent = t < second ? `second contact in ${Math.ceil(second - t)} s` : t < third ? `third contact in ${Math.ceil(third - t)} s` : "third contact has passed";
      form().querySelector("[data-jump]").hidden = t < from + 4 || t > third - 32;
      if (Math.floor(t) !== eclipse.shown) {
        eclipse.shown = Math.floor(t);
        screen(Math.max(0, eclipse.shown));
      }
      if (t > third + 8) end();
    };
    eclipse.ticking = setInterval(tick, 200);
    eclipse.third = third;
    show();
    tick();
  };

  document.addEventListener("click", (event) => {
    if (!form()) return;
    const key = event.target.closest("button");
    if (!key) return;
    const dial = key.closest("[data-dial]");
    if (dial && key.dataset.to) { choose(dial); set(dial, Number(key.dataset.to)); }
    if ("skip" in key.dataset) finish();
    if ("magnify" in key.dataset) magnify();
    if (key.dataset.view) {
      for (const other of form().querySelectorAll("[data-view]")) other.setAttribute("aria-pressed", other === key);
      finder().src = finder().dataset[key.dataset.view];
      document.getElementById("shown-as").textContent = key.textContent;
    }
    if (dial && key.dataset.click) turn(dial, Number(key.dataset.click));
    if ("eclipse" in key.dataset) run(key);
    if ("jump" in key.dataset) {
      const skipped = 1000 * (eclipse.third - 30 - now());
      eclipse.began -= skipped;
      eclipse.wall -= skipped;
    }
    if ("filter" in key.dataset && eclipse) filter();
  });
  const filter = () => {
    if (off()) { eclipse.spans.push([eclipse.off, now()]); eclipse.off = null; } else eclipse.off = now();
    show();
    eclipse.shown = -1;
  };
  const magnify = () => {
    magnified = !magnified;
    document.querySelector("[data-magnify]")?.setAttribute("aria-pressed", magnified);
    screen();
  };

  let went = 0; // g and a letter go to another view
  document.addEventListener("keydown", (event) => {
    if (!form() || event.ctrlKey || event.altKey || event.metaKey || event.target.closest("textarea, input")) return;
    if (event.key === "g") { went = Date.now(); return; }
    if (Date.now() - went < 1500) { went = 0; return; }
    const hand = form().dataset.hand;
    if (hand === "BLIND" && event.key === "Enter" && !event.target.closest("button, a")) { form().requestSubmit(); return; }
    if (event.code === "Space" && hand !== "BLIND" && hand !== "HELD" && !event.target.closest("button, a, summary")) {
      event.preventDefault();
      if (event.repeat) return;
      if (hand === "FILTER") { if (eclipse) filter(); else form().querySelector("[data-eclipse]").click(); }
      else form().requestSubmit(form().querySelector("[data-expose]"));
      return;
    }
    if (event.key === "Escape" && exposure) { finish(); return; }
    if (event.key === "z") { magnify(); event.preventDefault(); return; }
    const arrow = event.key.startsWith("Arrow");
    if (form().querySelector("[data-wheels=one]") && arrow) {
      const all = dials();
      const at = all.indexOf(chosen());
      if (event.key === "ArrowUp" || event.key === "ArrowDown") choose(all[(at + (event.key === "ArrowUp" ? -1 : 1) + all.length) % all.length]);
      else turn(chosen(), event.key === "ArrowLeft" ? -1 : 1);
      event.preventDefault();
      return;
    }
    if (arrow && event.target.closest("select")) return;
    for (const dial of dials()) {
      if (event.key === dial.dataset.back || event.key === dial.dataset.on) {
        choose(dial);
        turn(dial, event.key === dial.dataset.on ? 1 : dial.dataset.round === "on" ? 1 : -1);
        event.preventDefault();
        return;
      }
    }
  });

  document.addEventListener("change", (event) => {
    const dial = event.target.closest?.("#camera [data-dial]");
    if (dial) { choose(dial); turned(dial); }
  });

  // a mouse's wheel, and a finger that slides over a dial
  document.addEventListener("wheel", (event) => {
    const dial = event.target.closest?.("[data-dial]");
    if (!dial || dial !== chosen() && !dial.matches(":focus-within")) return;
    event.preventDefault();
    turn(dial, event.deltaY > 0 ? 1 : -1);
  }, { passive: false });
  let held = null;
  const CLICK_PX = 26;
  document.addEventListener("pointerdown", (event) => {
    const strip = event.target.closest?.(".beside");
    if (strip) held = { dial: strip.closest("[data-dial]"), x: event.clientX };
  });
  document.addEventListener("pointermove", (event) => {
    if (!held) return;
    const clicks = Math.trunc((held.x - event.clientX) / CLICK_PX);
    if (clicks === 0) return;
    turn(held.dial, clicks);
    held.x -= clicks * CLICK_PX;
  });
  for (const over of ["pointerup", "pointercancel"]) document.addEventListener(over, () => { held = null; });

  // a decision of a played night: who does not decide goes on
  const decide = () => {
    const box = document.querySelector("[data-decide]");
    if (!box) return;
    const ends = Date.now() + 1000 * Number(box.dataset.decide);
    const tick = () => {
      const left = (ends - Date.now()) / 1000;
      document.querySelector("[data-left]").textContent = `${Math.max(0, Math.ceil(left))} s`;
      document.querySelector("[data-time]").value = (100 * left) / Number(box.dataset.decide);
      if (left <= 0 && !document.hidden) { clearInterval(ticking); box.lastElementChild.click(); }
    };
    const ticking = setInterval(tick, 250);
    tick();
  };
  document.addEventListener("DOMContentLoaded", decide);

  // what only works with this script
  const ready = () => {
    magnified = false;
    for (const key of document.querySelectorAll("#camera [data-magnify], #camera [data-view]")) key.hidden = false;
    for (const key of document.querySelectorAll("#camera [data-look]")) key.hidden = true;
  };
  document.addEventListener("DOMContentLoaded", ready);
  document.addEventListener("htmx:afterSettle", ready);
})();
