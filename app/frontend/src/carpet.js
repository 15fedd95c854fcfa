// The carpets: name the minute under the pointer, move the cursors at once, and open a night by Enter or double click.
(() => {
  const carpets = [...document.querySelectorAll("[data-carpet]")];

  const moveTo = (carpet, value, columns) => {
    carpet.querySelector("input[type=range]").value = value;
    const across = ((Number(value) + 0.5) / columns) * 100 + "%";
    const cursor = carpet.querySelector("[data-column]");
    cursor.setAttribute("x1", across);
    cursor.setAttribute("x2", across);
  };

  for (const carpet of carpets) {
    const slider = carpet.querySelector("input[type=range]");
    const words = carpet.querySelector("[data-words]");
    const columns = Number(slider.max) + 1;
    const day = (column) => {
      const date = new Date(carpet.dataset.first + "T12:00:00Z");
      date.setUTCDate(date.getUTCDate() + column);
      return date;
    };

    slider.addEventListener("input", () => carpets.forEach((other) => moveTo(other, slider.value, columns)));

    slider.addEventListener("pointermove", (event) => {
      const box = slider.getBoundingClientRect();
      const column = Math.max(0, Math.min(columns - 1, Math.floor(((event.clientX - box.left) / box.width) * columns)));
      const row = Math.floor(((event.clientY - box.top) / box.height) * Number(carpet.dataset.rows));
      const minute = 12 * 60 + Number(carpet.dataset.minute) + row * 10;
      const clock = String(Math.floor(minute / 60) % 24).padStart(2, "0") + ":" + String(minute % 60).padStart(2, "0");
      const night = day(column).toLocaleDateString("en-GB", { weekday: "short", day: "numeric", month: "long", timeZone: "UTC" });
      words.textContent = `night of ${night}, ${clock}`;
    });

    const open = () => { window.location.href = `/nights/${day(Number(slider.value)).toISOString().slice(0, 10)}?place=${carpet.dataset.place}${carpet.dataset.query ?? ""}`; };
    slider.addEventListener("keydown", (event) => { if (event.key === "Enter") { event.preventDefault(); open(); } });
    slider.addEventListener("dblclick", open);
  }
})();
