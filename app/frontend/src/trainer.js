// Launches are played as they would be seen and heard; the key is a bulb release. The server says what came of it.
(() => {
  const calm = window.matchMedia("(prefers-reduced-motion: reduce)");
  let round = null;

  const parse = (box) => box.dataset.launches.split(";").map((one) => {
    const [fires, flight, show, mm, late] = one.split(",").map(Number);
    return { fires, flight, show, mm, late, breaks: fires + flight, fades: fires + flight + show };
  });

  const boom = (audio, at, low) => {
    const tone = audio.createOscillator();
    const gain = audio.createGain();
    tone.type = "triangle";
    tone.frequency.setValueAtTime(low ? 90 : 140, at);
    tone.frequency.exponentialRampToValueAtTime(35, at + 0.4);
    gain.gain.setValueAtTime(0.4, at);
    gain.gain.exponentialRampToValueAtTime(0.001, at + 0.5);
    tone.connect(gain).connect(audio.destination);
    tone.start(at);
    tone.stop(at + 0.5);
  };

  const colours = ["#f08a4b", "#9db4d8", "#a9c08f", "#e9c46a", "#efe6d8"];
  const draw = (canvas, launches, now, open) => {
    const pen = canvas.getContext("2d");
    if (canvas.clientWidth > 0 && (canvas.width !== canvas.clientWidth || canvas.height !== canvas.clientHeight)) {
      canvas.width = canvas.clientWidth;
      canvas.height = canvas.clientHeight;
    }
    const { width, height } = canvas;
    pen.fillStyle = "#0d0d18";
    pen.fillRect(0, 0, width, height);
    launches.forEach((l, i) => {
      const x = ((i * 0.37 + 0.15) % 0.8 + 0.1) * width;
      const top = height * (0.62 - 0.4 * Math.min(1, l.mm / 200));
      pen.strokeStyle = colours[i % colours.length];
      pen.fillStyle = pen.strokeStyle;
      if (now >= l.fires && now < l.fires + 0.15) {
        pen.beginPath();
        pen.arc(x, height - 8, 9, 0, 7);
        pen.fill();
      }
      if (now >= l.fires && now < l.breaks) {
        const share = (now - l.fires) / l.flight;
        const y = height - 8 - (height - 8 - top) * (1 - (1 - share) * (1 - share));
        pen.beginPath();
        pen.arc(x, y, 2.5, 0, 7);
        pen.fill();
      }
      if (now >= l.breaks && now < l.fades) {
        const after = now - l.breaks;
        const reach = (calm.matches ? 1 : 1 - Math.exp(-after / 0.4)) * height * 0.2;
        pen.globalAlpha = 1 - after / l.show;
        pen.beginPath();
        for (let k = 0; k < 16; k++) {
          const angle = (k * Math.PI) / 8;
          const fall = calm.matches ? 0 : 5 * after * after;
          pen.moveTo(x + 0.75 * reach * Math.cos(angle), top + 0.75 * reach * Math.sin(angle) + fall);
          pen.lineTo(x + reach * Math.cos(angle), top + reach * Math.sin(angle) + fall);
        }
        pen.lineWidth = 2;
        pen.stroke();
        pen.globalAlpha = 1;
      }
    });
    if (open) {
      pen.strokeStyle = "#f08a4b";
      pen.lineWidth = 4;
      pen.strokeRect(2, 2, width - 4, height - 4);
    }
  };

  const finish = () => {
    const { box, presses } = round;
    if (round.opened !== null) presses.push([round.opened, round.now()]);
    round = null;
    box.querySelector("[name=presses]").value = presses.map((p) => p.map((t) => t.toFixed(3)).join(",")).join(";");
    box.querySelector("[data-begin]").textContent = "Play again";
    box.querySelector("form").requestSubmit();
  };

  const begin = (box) => {
    const next = document.querySelector("[data-next]");
    if (next?.dataset.next) {
      box.dataset.launches = next.dataset.next;
      box.querySelector("[name=seed]").value = next.dataset.seed;
      delete next.dataset.next;
    }
    const launches = parse(box);
    const start = performance.now();
    const sound = box.querySelector("[data-sound]").getAttribute("aria-pressed") === "true";
    const audio = sound ? new AudioContext() : null;
    const delay = Number(box.dataset.delay);
    if (audio) {
      launches.forEach((l) => {
        boom(audio, audio.currentTime + l.fires + delay, true);
        boom(audio, audio.currentTime + l.breaks + l.late, false);
      });
    }
    round = { box, presses: [], opened: null, now: () => (performance.now() - start) / 1000 };
    const canvas = box.querySelector("canvas");
    const end = Math.max(...launches.map((l) => l.fades)) + 1;
    const frame = () => {
      if (!round || round.box !== box || !box.isConnected) return;
      const now = round.now();
      draw(canvas, launches, now, round.opened !== null);
      box.querySelector("[data-clock]").textContent = `${now.toFixed(1)} s${round.opened === null ? "" : ", open"}`;
      if (now >= end) finish();
      else requestAnimationFrame(frame);
    };
    frame();
  };

  const press = () => {
    if (round && round.opened === null) round.opened = round.now();
  };
  const release = () => {
    if (!round || round.opened === null) return;
    round.presses.push([round.opened, round.now()]);
    round.opened = null;
  };

  // until one plays, all of the round as its bursts stand open
  const still = () => document.querySelectorAll("[data-trainer]").forEach((box) => {
    const open = parse(box).map((l) => ({ ...l, fires: -l.flight, breaks: 0, fades: l.show }));
    if (!round) draw(box.querySelector("canvas"), open, 0.5, false);
  });
  document.addEventListener("DOMContentLoaded", still);
  document.addEventListener("htmx:afterSettle", still);

  document.addEventListener("click", (event) => {
    const key = event.target.closest("[data-trainer] button");
    if (!key) return;
    if ("begin" in key.dataset) begin(key.closest("[data-trainer]"));
    if ("sound" in key.dataset) key.setAttribute("aria-pressed", key.getAttribute("aria-pressed") !== "true");
  });
  document.addEventListener("keydown", (event) => {
    if (event.code !== "Space" || !round) return;
    event.preventDefault();
    if (!event.repeat) press();
  });
  document.addEventListener("keyup", (event) => {
    if (event.code !== "Space" || !round) return;
    event.preventDefault();
    release();
  });
  document.addEventListener("pointerdown", (event) => { if (event.target.closest("[data-release]")) press(); });
  document.addEventListener("pointerup", release);
  document.addEventListener("pointercancel", release); // a finger that slides off, or a call that comes in
  window.addEventListener("blur", release);
})();
