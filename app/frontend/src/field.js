// Now, next and how long until then. The server's clock counts: it is asked, and the page goes by its answer and says by what it goes.
// A page that was taken along has no server, and goes by the device.
(() => {
  const page = document.querySelector("[data-field]");
  if (!page) return;
  const own = "ownClock" in page.dataset;
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

  // The clock. Between two answers the device counts on; where its two clocks part, it slept or was set, and the answer is worth nothing.
  const KEPT = "half-dusk-clock";
  const SLOWEST = 2000; // an answer that took longer is off by too much
  const PARTED = 500;
  const STALE = 60_000;
  const TICK = 500;
  const store = (key, value) => { try { localStorage.setItem(key, JSON.stringify(value)); } catch { /* private windows keep nothing */ } };
  const stored = (key) => { try { return JSON.parse(localStorage.getItem(key)); } catch { return null; } };
  const lag = () => Date.now() - performance.now();
  const clock = {
    sure: own, // until the server has answered nobody knows
    error: 0,
    ahead: own ? 0 : stored(KEPT)?.ahead ?? 0, // the server's clock against the device's
    lag: lag(),
    asked: -Infinity,
    asking: false,
    offline: null,
    now() { return Date.now() + this.ahead; },
  };
  const ask = async () => {
    if (own || clock.asking) return;
    clock.asking = true;
    clock.asked = performance.now();
    const before = performance.now();
    const parted = lag();
    try {
      const answer = await fetch("/clock", { cache: "no-store" });
      if (!answer.ok) throw new Error("no clock");
      const { epochMs } = await answer.json();
      const took = performance.now() - before;
      if (took > SLOWEST || Math.abs(lag() - parted) > PARTED) throw new Error("too late");
      clock.ahead = epochMs + took / 2 - Date.now();
      clock.error = took / 2;
      clock.lag = lag();
      clock.sure = true;
      clock.offline = null;
      store(KEPT, { ahead: clock.ahead });
    } catch {
      clock.offline ??= clock.now();
    } finally {
      clock.asking = false;
    }
    tick();
  };
  const doubt = () => {
    clock.sure = own;
    clock.lag = lag();
    clock.asked = -Infinity;
    tick();
  };

  // off only where it is certain: inside of the window by more than the clock may be wrong
  const off = find("[data-filter-off]");
  const filtersOff = (now) => Boolean(off) && clock.sure
    && now - clock.error >= Number(off.dataset.from) && now + clock.error + TICK < Number(off.dataset.to);

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
  const LATE = 2000;
  const announce = (line, last, now) => {
    const at = Number(line.dataset.at);
    const what = line.querySelector("[data-what]").textContent;
    const bare = line.dataset.kind === "filter-off" || line.dataset.kind === "look"; // asks for bare eyes and lenses
    // a filter's cue that is heard a minute early could blind someone
    const times = "exact" in line.dataset ? [[0, what]] : [[60_000, `In a minute: ${what}`], [0, what]];
    for (const [early, words] of times) {
      const due = at - early + (bare ? clock.error : 0);
      const key = `${at} ${what} ${early}`;
      if (due <= last || due > now || said.has(key)) continue;
      said.add(key);
      if (now - due <= LATE) {
        if (!bare || filtersOff(now)) cue(words, early === 0);
      } else if (line.dataset.kind === "filter-on") {
        cue("Filters on, now.", true); // the state that holds; one to take them off is never told late
      }
    }
  };

  let last = null;
  const by = (now) => {
    const says = find("[data-by]");
    if (!says) return;
    const known = clock.sure ? "" : "The server's clock is being asked.";
    says.textContent = own ? "by the clock of this device" : clock.offline === null ? known
      : `No server since ${time(clock.offline + ahead).slice(0, 5)}: counted on by this device's clock.`;
    const drift = find("[data-drift]");
    if (drift && !own) {
      const device = -clock.ahead / 1000;
      drift.textContent = Math.abs(device) < 86400 ? `${device < 0 ? "\u2212" : "+"}${Math.abs(device).toFixed(1)} s` : "";
    }
  };
  const tick = () => {
    if (Math.abs(lag() - clock.lag) > PARTED) {
      clock.lag = lag();
      clock.sure = own;
      clock.asked = -Infinity;
    }
    if (performance.now() - clock.asked > (clock.sure ? STALE : 1000)) ask();
    const now = clock.now();
    find("[data-clock]").textContent = time(now + ahead);
    find("[data-utc]").textContent = time(now);
    by(now);
    const coming = [...page.querySelectorAll("[data-coming]")];
    coming.forEach((line) => {
      line.hidden = Number(line.dataset.at) <= now;
      if (cues.size > 0 && last !== null && (clock.sure || !("exact" in line.dataset))) announce(line, last, now);
    });
    if (clock.sure || !find("[data-filter-on]")) last = now; // of an eclipse nothing is told by a clock that may be wrong
    const next = coming.find((line) => !line.hidden);
    find("[data-count]").textContent = next ? span((Number(next.dataset.at) - now) / 1000) : "done";
    find("[data-until]").textContent = next ? `until ${next.querySelector("[data-what]").textContent}` : "nothing more is planned";
    if (find("[data-filter-on]")) {
      const isOff = filtersOff(now);
      if (off) off.hidden = !isOff;
      find("[data-unsure]").hidden = clock.sure;
      find("[data-filter-on]").hidden = isOff || !clock.sure;
    }
    page.querySelectorAll("[data-running]").forEach((part) => {
      const from = Number(part.dataset.from);
      part.hidden = now < from || now >= Number(part.dataset.to);
      if (part.hidden) return;
      const frame = Math.min(Number(part.dataset.frames), 1 + Math.floor((now - from) / Number(part.dataset.step)));
      part.querySelector("[data-frame]").textContent = frame;
      part.querySelector("progress").value = (now - from) / (Number(part.dataset.to) - from);
    });
  };
  window.halfDuskNow = () => clock.now();
  tick();
  setInterval(tick, TICK);
  window.addEventListener("pageshow", (e) => { if (e.persisted) doubt(); });
  document.addEventListener("visibilitychange", () => { if (document.visibilityState === "visible") doubt(); });
  window.addEventListener("online", ask);

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
