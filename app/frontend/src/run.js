// Plays the run that the server has reckoned: frames are counted as their time comes, the strip fills as they are taken.
(() => {
  let timer = 0;
  const words = { t: "taken", l: "late", x: "lost" };

  const show = (run, done) => {
    const fates = run.dataset.fates;
    const bars = run.querySelectorAll(".strip rect");
    bars.forEach((bar, i) => bar.classList.toggle("coming", (i + 1) * fates.length > done * bars.length && done < fates.length));
    const lost = [...fates.slice(0, done)].filter((f) => f === "x").length;
    const seconds = Math.round((done - 1) * Number(run.dataset.step));
    const [h, m, s] = run.dataset.begins.split(":").map(Number);
    const clock = new Date(Date.UTC(2000, 0, 1, h, m, s + Math.max(0, seconds))).toISOString().slice(11, 19);
    run.querySelector("output").textContent = done === 0 ? "" : `${clock}  frame ${done} of ${fates.length}, ${words[fates[done - 1]]}; ${lost} lost`;
  };

  const play = (run, speed) => {
    clearInterval(timer);
    const count = run.dataset.fates.length;
    if (speed === 0) return show(run, count);
    const began = performance.now();
    const step = Number(run.dataset.step);
    const tick = () => {
      if (!run.isConnected) return clearInterval(timer);
      const done = Math.min(count, 1 + Math.floor(((performance.now() - began) / 1000) * speed / step));
      show(run, done);
      if (done === count) clearInterval(timer);
    };
    tick();
    timer = setInterval(tick, 100);
  };

  const offer = () => document.querySelectorAll("[data-run] [data-play]").forEach((p) => { p.hidden = false; });
  document.addEventListener("click", (event) => {
    const button = event.target.closest("[data-run] [data-speed]");
    if (button) play(button.closest("[data-run]"), Number(button.dataset.speed));
  });
  document.addEventListener("DOMContentLoaded", offer);
  document.addEventListener("htmx:afterSettle", offer);
})();
