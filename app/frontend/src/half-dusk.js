// Keys for everything, and the ribbon's slider. Pages work without this file.
(() => {
  const typing = (target) => target.closest("input:not([type=range]), select, textarea");
  let waitingForView = false;

  const go = (selector) => {
    const link = document.querySelector(selector);
    if (link) link.click();
    return Boolean(link);
  };

  const stepRibbon = (minutes) => {
    const slider = document.querySelector("input[data-ribbon]");
    if (!slider) return false;
    const value = Number(slider.value) + minutes;
    slider.value = Math.max(Number(slider.min), Math.min(Number(slider.max), value));
    slider.dispatchEvent(new Event("input", { bubbles: true }));
    return true;
  };

  const nextLamp = () => {
    const lamps = [...document.querySelectorAll("button[name=lamp]")];
    const lit = lamps.findIndex((lamp) => lamp.getAttribute("aria-pressed") === "true");
    lamps[(lit + 1) % lamps.length]?.click();
    return true;
  };

  const keys = {
    "?": () => { document.getElementById("keys")?.togglePopover(); return true; },
    g: () => { waitingForView = true; setTimeout(() => { waitingForView = false; }, 1500); return true; },
    l: nextLamp,
    ArrowLeft: (e) => stepRibbon(e.shiftKey ? -60 : -10),
    ArrowRight: (e) => stepRibbon(e.shiftKey ? 60 : 10),
    "[": () => go("a[rel=prev]"),
    "]": () => go("a[rel=next]"),
    "/": () => { const search = document.querySelector("[data-search]"); search?.focus(); return Boolean(search); },
  };

  // the lamp changes in place, so that nothing typed is lost
  document.addEventListener("submit", (e) => {
    const chosen = e.submitter;
    if (chosen?.name !== "lamp") return;
    e.preventDefault();
    const light = () => {
      document.documentElement.dataset.lamp = chosen.value;
      for (const lamp of document.querySelectorAll("button[name=lamp]")) lamp.setAttribute("aria-pressed", lamp === chosen);
    };
    fetch(e.target.action, { method: "POST", redirect: "manual", body: new URLSearchParams({ lamp: chosen.value }) }).then(light, light);
  });

  document.addEventListener("keydown", (e) => {
    if (e.ctrlKey || e.altKey || e.metaKey || typing(e.target)) return;
    if (waitingForView) {
      waitingForView = false;
      if (/^[a-z]$/.test(e.key) && go(`a[data-key="${e.key}"]`)) e.preventDefault();
      return;
    }
    if (keys[e.key]?.(e)) e.preventDefault();
  });

  // a list that decides whether more fields are needed
  const showDependents = () => {
    for (const part of document.querySelectorAll("[data-when]")) {
      const [name, value] = part.dataset.when.split("=");
      const list = (part.closest("form") ?? document).querySelector(`select[name="${name}"]`);
      if (list) part.hidden = !value.split(" ").includes(list.value);
    }
  };
  document.addEventListener("change", showDependents);
  document.addEventListener("htmx:afterSwap", showDependents);
  showDependents();

  // a list that answers other words than stand in its field takes no click: it is about to change
  const changing = () => {
    for (const form of document.querySelectorAll("form[data-asks]")) {
      const list = document.getElementById(form.dataset.asks);
      const field = form.querySelector("input[type=search]");
      if (!list || !field) continue;
      list.inert = (list.dataset.answers ?? "").trim() !== field.value.trim();
      list.setAttribute("aria-busy", list.inert);
    }
  };
  document.addEventListener("input", changing);
  document.addEventListener("htmx:afterSwap", changing);
  for (const failed of ["htmx:responseError", "htmx:sendError"]) {
    document.addEventListener(failed, () => { for (const list of document.querySelectorAll("[data-answers]")) list.inert = false; });
  }

  // a picker needs no button where a choice can send it
  const pick = () => {
    for (const picker of document.querySelectorAll("form[data-picker]:not([data-ready])")) {
      picker.dataset.ready = "";
      picker.querySelector("button").hidden = true;
      picker.addEventListener("change", () => picker.requestSubmit());
    }
  };
  document.addEventListener("htmx:afterSettle", pick);
  pick();

  // the page's own notch follows at once; the server's picture replaces it
  document.addEventListener("input", (e) => {
    if (!e.target.matches("input[data-ribbon]")) return;
    const share = (e.target.value - e.target.min) / (e.target.max - e.target.min) * 100 + "%";
    for (const mark of document.querySelectorAll("[data-notch]")) mark.setAttribute("x", share);
  });

  // what moves asks now and then; once at rest it asks again, so that the last position counts
  const timers = new WeakMap();
  document.addEventListener("input", (e) => {
    const form = e.target.closest("[data-rest]");
    if (!form) return;
    clearTimeout(timers.get(form));
    timers.set(form, setTimeout(() => form.dispatchEvent(new Event("rest")), 150));
  });

  for (const button of document.querySelectorAll("[data-print]")) button.addEventListener("click", () => window.print());
})();
