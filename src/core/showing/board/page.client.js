// Filters the rows, and draws a client's sheet when its row is chosen.
const data = JSON.parse(document.getElementById("data").textContent);
/** A word of the page's language, with what is put into it. */
const say = (word, put = {}) => data.words[word].replace(/\{(\w+)\}/g, (_, name) => String(put[name] ?? ""));
const form = document.querySelector(".filters");
const rows = [...document.querySelectorAll(".row")];
const dialog = document.querySelector("dialog");

const make = (name, text, className) => {
  const element = document.createElement(name);
  if (text !== undefined) element.textContent = text;
  if (className) element.className = className;
  return element;
};

/** Clients of the act that was chosen; all where none was. */
let chosen;

function filter() {
  const { text, store, state, who } = form.elements;
  const wanted = text.value.trim().toLowerCase();
  let shown = 0;
  for (const row of rows) {
    const of = row.dataset;
    const isOpen = store.value ? of.open.split(" ").includes(store.value) : !of.done;
    const isShown =
      of.text.includes(wanted) &&
      (!store.value || of.stores.split(" ").includes(store.value)) &&
      (!state.value || (state.value === "open") === isOpen) &&
      (!who.value || of.who.split(" ").includes(who.value)) &&
      (!chosen || chosen.includes(of.client));
    row.hidden = !isShown;
    if (isShown) shown++;
  }
  form.elements.count.textContent = say("shown", { count: shown });
}

const needs = { q: "required", c: "recommended", t: "optional" };
const states = { g: "given", d: "draft", m: "missing", w: "mend" };
const severities = { e: "error", w: "warning", n: "note" };

function sheetOf([key, lines, told, [done, total, ...lacking], creation], texts, happened) {
  const [title, seenFirst, rows] = data.stores[key];
  const section = make("section");
  section.append(
    make("h3", title),
    ...(happened.length > 0
      ? []
      : [
          make(
            "p",
            creation.length > 0 ? say("forCreation", { what: creation.join(", ") }) : say("readyForCreation"),
            "count",
          ),
        ]),
    make("p", say("doneOf", { done, total }) + (lacking.length > 0 ? say("stillOpen") : ""), "count"),
  );
  if (lacking.length > 0) {
    const list = make("ol", undefined, "lacking");
    list.append(...lacking.map((each) => make("li", each)));
    section.append(list);
  }
  const table = make("table");
  for (const [at, state, used, place, fallback] of lines) {
    const [name, need, most, isCut] = rows[at];
    const value = texts[place] ?? "";
    const isOpen = state === "m" && need !== "q";
    const row = make("tr", undefined, isOpen ? "open" : states[state] === "mend" ? "to" : states[state]);
    row.append(make("th", name));
    row.append(make("td", say(states[state]) + (state === "m" ? `, ${say(needs[need])}` : ""), "state"));
    row.append(make("td", used ? (most ? say("doneOf", { done: used, total: most }) : "") : "", "used"));
    const text = make("td", undefined, "text");
    if (isCut && used > seenFirst) {
      text.append(make("span", value.slice(0, seenFirst)), make("del", value.slice(seenFirst)));
    } else text.textContent = value;
    text.dir = "auto";
    if (fallback) text.append(make("small", say("sameIn", { languages: fallback })));
    row.append(text);
    table.append(row);
  }
  section.append(...passage(happened), table, findings(told));
  return section;
}

/** What has happened in a store, the latest first. */
function passage(happened) {
  if (happened.length === 0) return [];
  const list = make("ol", undefined, "happened");
  for (const [day, says] of [...happened].reverse()) {
    const item = make("li");
    item.append(make("time", day), ` ${says}`);
    list.append(item);
  }
  return [list];
}

function findings(told) {
  const list = make("ul");
  for (const [severity, code, message, who, since] of told) {
    const item = make("li", undefined, severities[severity]);
    item.append(
      make("b", say(severities[severity])),
      ` ${message} `,
      make("small", `${code}, ${data.people[who]}${since ? `, ${say("since", { day: since })}` : ""}`),
    );
    list.append(item);
  }
  return list;
}

function open(at, store) {
  const { c, n, p, t, s, h } = data.clients[at];
  const happenedIn = (key) => h.find(([each]) => each === key)?.[1] ?? [];
  const close = make("button", say("close"), "close");
  close.type = "button";
  close.addEventListener("click", () => dialog.close());
  const name = make("h2", n);
  name.id = "sheet-name";
  name.dir = "auto";
  const stores = [...s].sort(([one], [other]) => (other === store) - (one === store));
  dialog.replaceChildren(
    close,
    name,
    make("p", c),
    findings(p),
    ...stores.map((each) => sheetOf(each, t, happenedIn(each[0]))),
  );
  dialog.showModal();
  dialog.scrollTop = 0;
}

form.addEventListener("input", filter);
form.addEventListener("submit", (event) => event.preventDefault());
document.querySelector("main").addEventListener("click", (event) => {
  const row = event.target.closest(".row");
  if (row) open(Number(row.dataset.at), event.target.closest(".meter")?.dataset.store);
});
document.querySelector(".most")?.addEventListener("click", (event) => {
  const button = event.target.closest("button");
  if (!button) return;
  const isChosen = button.getAttribute("aria-pressed") === "true";
  for (const each of document.querySelectorAll(".most button")) each.setAttribute("aria-pressed", "false");
  button.setAttribute("aria-pressed", String(!isChosen));
  chosen = isChosen ? undefined : button.dataset.clients.split(" ");
  filter();
});
dialog.addEventListener("click", (event) => {
  if (event.target === dialog) dialog.close();
});
