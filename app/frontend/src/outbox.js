// What is said in the field is sent at once where the server answers, and kept in the page's store and sent later, in order, where it
// does not: each with the time it was said and a key, by which the server counts it once.
(() => {
  const list = document.querySelector("[data-outbox]");
  if (!list) return;
  const KEY = `half-dusk-outbox ${location.pathname}`;
  const read = () => { try { return JSON.parse(localStorage.getItem(KEY)) ?? []; } catch { return []; } };
  const write = (all) => { try { localStorage.setItem(KEY, JSON.stringify(all)); return true; } catch { return false; } };
  const clock = (ms) => new Date(ms + Number(document.querySelector("[data-field]").dataset.ahead) * 1000).toISOString().slice(11, 16);

  const show = () => {
    const all = read();
    list.hidden = all.length === 0;
    list.querySelector("ul").replaceChildren(...all.map((said) => {
      const line = document.createElement("li");
      line.textContent = `${clock(said.at)} ${said.words}`;
      return line;
    }));
  };

  let sending = false;
  const send = async () => {
    if (sending) return;
    sending = true;
    let sent = 0;
    let refused = "";
    try {
      for (let all = read(); all.length > 0; all = read()) {
        const { path, fields, key, at, words } = all[0];
        const answer = await fetch(path, { method: "POST", body: new URLSearchParams([...fields, ["key", key], ["at", String(at)]]) });
        if (answer.status >= 500) break; // busy: later
        if (!answer.ok) refused = words; // it can never be taken
        write(read().filter((said) => said.key !== key));
        sent += 1;
      }
    } catch {
      // no server: it stays here
    }
    sending = false;
    show();
    if (refused) {
      list.hidden = false;
      list.querySelector("ul").append(Object.assign(document.createElement("li"), { textContent: `not taken: ${refused}` }));
    } else if (sent > 0 && read().length === 0) {
      location.reload();
    }
  };

  document.addEventListener("submit", (e) => {
    const form = e.target.closest("form[data-kept]");
    if (!form) return;
    const fields = [...new FormData(form, e.submitter)];
    const note = fields.find(([name]) => name === "words");
    if (note && (note[1].trim() === "" || note[1].length > 500)) return; // answered beside the field
    const words = note ? note[1] : (e.submitter?.getAttribute("aria-label") ?? e.submitter?.textContent ?? "said");
    const at = Math.round(window.halfDuskNow());
    const key = crypto.randomUUID?.() ?? `${at}-${Math.random().toString(36).slice(2)}`;
    if (!write([...read(), { path: new URL(form.action).pathname, fields, key, at, words }])) return;
    e.preventDefault();
    if (note) form.reset();
    show();
    send();
  });
  window.addEventListener("online", send);
  setInterval(() => { if (read().length > 0) send(); }, 10_000);
  show();
  if (read().length > 0) send();
})();
