// The carpet: names the minute under the pointer, moves the cursor at once, and opens a night by Enter or double click.
(() => {
  const carpet = document.getElementById("carpet");
  if (!carpet) return;
  const slider = carpet.querySelector("input[type=range]");
  const cursor = carpet.querySelector("[data-column]");
  const words = document.getElementById("under-pointer");
  const columns = Number(slider.max) + 1;
  const day = (column) => {
    const date = new Date(carpet.dataset.first + "T12:00:00Z");
    date.setUTCDate(date.getUTCDate() + column);
    return date;
  };

  slider.addEventListener("input", () => {
    const across = ((Number(slider.value) + 0.5) / columns) * 100 + "%";
    cursor.setAttribute("x1", across);
    cursor.setAttribute("x2", across);
  });

  slider.addEventListener("pointermove", (event) => {
    const box = slider.getBoundingClientRect();
    const column = Math.max(0, Math.min(columns - 1, Math.floor(((event.clientX - box.left) / box.width) * columns)));
    const row = Math.floor(((event.clientY - box.top) / box.height) * Number(carpet.dataset.rows));
    const minute = 12 * 60 + Number(carpet.dataset.minute) + row * 10;
    const clock = String(Math.floor(minute / 60) % 24).padStart(2, "0") + ":" + String(minute % 60).padStart(2, "0");
    const night = day(column).toLocaleDateString("en-GB", { weekday: "short", day: "numeric", month: "long", timeZone: "UTC" });
    words.textContent = `night of ${night}, ${clock}`;
  });

  const open = () => { window.location.href = `/nights/${day(Number(slider.value)).toISOString().slice(0, 10)}?place=${carpet.dataset.place}`; };
  slider.addEventListener("keydown", (event) => { if (event.key === "Enter") { event.preventDefault(); open(); } });
  slider.addEventListener("dblclick", open);
})();
