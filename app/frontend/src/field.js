// Now, next and how long until then. The server's clock counts: the phone's may be wrong, and its difference is shown.
(() => {
  const page = document.querySelector("[data-field]");
  if (!page) return;
  const began = performance.now();
  const start = Number(page.dataset.now);
  const ahead = Number(page.dataset.ahead) * 1000;
  const time = (ms) => new Date(ms).toISOString().slice(11, 19);
  const span = (seconds) => {
    const s = Math.max(0, Math.round(seconds));
    const h = Math.floor(s / 3600);
    const mm = String(Math.floor(s / 60) % 60).padStart(2, "0");
    const ss = String(s % 60).padStart(2, "0");
    return h > 0 ? `${h}:${mm}:${ss}` : `${mm}:${ss}`;
  };

  const tick = () => {
    const now = start + performance.now() - began;
    page.querySelector("[data-clock]").textContent = time(now + ahead);
    page.querySelector("[data-utc]").textContent = time(now);
    const coming = [...page.querySelectorAll("[data-coming]")];
    coming.forEach((line) => { line.hidden = Number(line.dataset.at) <= now; });
    const next = coming.find((line) => !line.hidden);
    page.querySelector("[data-count]").textContent = next ? span((Number(next.dataset.at) - now) / 1000) : "done";
    page.querySelector("[data-until]").textContent = next ? `until ${next.querySelector("[data-what]").textContent}` : "nothing more is planned";
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

  // the screen stays awake where the browser allows
  const awake = () => navigator.wakeLock?.request("screen").catch(() => {});
  document.addEventListener("visibilitychange", () => { if (document.visibilityState === "visible") awake(); });
  awake();
})();
