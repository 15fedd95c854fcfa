// Now, next and how long until then. The server's clock counts: the phone's may be wrong, and its difference is shown. A page that
// was taken along has no server, and goes by the device.
(() => {
  const page = document.querySelector("[data-field]");
  if (!page) return;
  const own = "ownClock" in page.dataset;
  const began = performance.now();
  const start = own ? Date.now() : Number(page.dataset.now);
  const ahead = Number(page.dataset.ahead) * 1000;
  const find = (part) => page.querySelector(part);
  const time = (ms) => new Date(ms).toISOString().slice(11, 19);
  const span = (seconds) => {
    const s = Math.max(0, Math.round(seconds));
    const h = Math.floor(s / 3600);
    if (h >= 48) return `${Math.floor(h / 24)} days`;
    const mm = String(Math.floor(s / 60) % 60).padStart(2, "0");
    const ss = String(s % 60).padStart(2, "0");
    return h > 0 ? `${h}:${mm}:${ss}` : `${mm}:${ss}`;
  };

  // how far this device's clock is from the server's, where there is one
  if (!own) {
    const off = (Date.now() - start) / 1000;
    find("[data-drift]").textContent = Math.abs(off) < 86400 ? `${off < 0 ? "\u2212" : "+"}${Math.abs(off).toFixed(1)} s` : "";
  }

  const cues = new Set();
  const beep = (high) => {
    const audio = new AudioContext();
    const tone = audio.createOscillator();
    tone.frequency.value = high ? 880 : 523;
    tone.connect(audio.destination);
    tone.start();
    tone.stop(audio.currentTime + 0.35);
  };
  const cue = (words, high) => {
    if (cues.has("sound")) beep(high);
    if (cues.has("speech")) window.speechSynthesis?.speak(new SpeechSynthesisUtterance(words));
  };
  const said = new Set();
  const announce = (line, left) => {
    const what = line.querySelector("[data-what]").textContent;
    // a filter's cue that is heard a minute early could blind someone
    const times = "exact" in line.dataset ? [[0, what]] : [[60, `In a minute: ${what}`], [0, what]];
    for (const [at, words] of times) {
      const key = `${line.dataset.at} ${what} ${at}`;
      if (left <= at && left > at - 2 && !said.has(key)) {
        said.add(key);
        cue(words, at === 0);
      }
    }
  };

  const tick = () => {
    const now = start + performance.now() - began;
    find("[data-clock]").textContent = time(now + ahead);
    find("[data-utc]").textContent = time(now);
    const coming = [...page.querySelectorAll("[data-coming]")];
    coming.forEach((line) => {
      const left = (Number(line.dataset.at) - now) / 1000;
      line.hidden = left <= 0;
      if (cues.size > 0) announce(line, left);
    });
    const next = coming.find((line) => !line.hidden);
    find("[data-count]").textContent = next ? span((Number(next.dataset.at) - now) / 1000) : "done";
    find("[data-until]").textContent = next ? `until ${next.querySelector("[data-what]").textContent}` : "nothing more is planned";
    page.querySelectorAll("[data-during]").forEach((part) => {
      part.hidden = now < Number(part.dataset.from) || now >= Number(part.dataset.to);
    });
    page.querySelectorAll("[data-running]").forEach((part) => {
      const from = Number(part.dataset.from);
      part.hidden = now < from || now >= Number(part.dataset.to);
      if (part.hidden) return;
      const frame = Math.min(Number(part.dataset.frames), 1 + Math.floor((now - from) / Number(part.dataset.step)));
      part.querySelector("[data-frame]").textContent = frame;
      part.querySelector("progress").value = (now - from) / (Number(part.dataset.to) - from);
    });
  };
  tick();
  setInterval(tick, 500);

  page.querySelectorAll("[data-cue]").forEach((key) => key.addEventListener("click", () => {
    const on = key.getAttribute("aria-pressed") !== "true";
    key.setAttribute("aria-pressed", on);
    if (on) cues.add(key.dataset.cue); else cues.delete(key.dataset.cue);
    if (on) cue("On", true);
  }));
  page.querySelectorAll("[data-say]").forEach((key) => key.addEventListener("click", () => {
    const note = find("[data-note] textarea");
    note.value += key.dataset.text ?? key.textContent;
  }));
  find("[data-lamps]")?.addEventListener("click", () => {
    const lamps = ["red", "dusk", "day"];
    const root = document.documentElement;
    root.dataset.lamp = lamps[(lamps.indexOf(root.dataset.lamp) + 1) % lamps.length];
  });

  // the screen stays awake where the browser allows
  const awake = () => navigator.wakeLock?.request("screen").catch(() => {});
  document.addEventListener("visibilitychange", () => { if (document.visibilityState === "visible") awake(); });
  awake();
})();
