// The rehearsal's clock goes on between two answers of the server, and cues are spoken as they come.
(() => {
  let asked = performance.now();
  let last = null;
  let speaking = false;
  const said = new Set();

  const two = (n) => String(n).padStart(2, "0");
  const span = (s) => (s >= 3600 ? `${Math.floor(s / 3600)}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}` : `${Math.floor(s / 60)}:${two(s % 60)}`);

  const speak = (from, to) => {
    document.querySelectorAll("#cues [data-at]").forEach((cue) => {
      const at = Number(cue.dataset.at);
      if (at <= from || at > to || said.has(at + cue.textContent)) return;
      said.add(at + cue.textContent);
      if (speaking) window.speechSynthesis?.speak(new SpeechSynthesisUtterance(cue.textContent));
    });
  };

  const tick = () => {
    const count = document.querySelector("[data-count][data-shown]");
    if (!count) return;
    const shown = Number(count.dataset.shown) + (performance.now() - asked) * Number(count.dataset.speed);
    const seconds = (shown - Number(count.dataset.zero)) / 1000;
    const whole = seconds < 0 ? Math.ceil(-seconds - 1e-6) : Math.floor(seconds);
    count.textContent = `${count.dataset.contact} ${seconds < 0 ? "\u2212" : "+"} ${span(whole)}`;
    if (last !== null && shown > last) speak(last, shown);
    last = shown;
  };

  document.addEventListener("htmx:afterSwap", () => { asked = performance.now(); });
  document.addEventListener("click", (event) => {
    const key = event.target.closest("[data-cue]");
    if (!key) return;
    speaking = key.getAttribute("aria-pressed") !== "true";
    key.setAttribute("aria-pressed", speaking);
  });
  setInterval(tick, 200);
})();
