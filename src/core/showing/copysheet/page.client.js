// Copies a field, and keeps which ones are done: a changed text has another mark, and is open again.
const own = `oxalis ${document.body.dataset.sheet}`;
const items = [...document.querySelectorAll(".item[data-id]")];
const read = () => {
  try {
    return new Set(JSON.parse(localStorage.getItem(own) ?? "[]"));
  } catch {
    return new Set();
  }
};
const keep = (done) => {
  try {
    localStorage.setItem(own, JSON.stringify([...done]));
  } catch {
    // A browser that keeps nothing forgets the ticks when the page is closed.
  }
};
const show = () => {
  document.querySelector("output").textContent = String(document.querySelectorAll("input:checked").length);
};

/** Where the clipboard is closed to pages from a disk, the text is chosen and copied as a person would. */
async function copy(pre) {
  try {
    await navigator.clipboard.writeText(pre.textContent);
  } catch {
    getSelection().selectAllChildren(pre);
    document.execCommand("copy");
    getSelection().removeAllRanges();
  }
}

/** What the page came with is ticked already; what the browser kept since is newer where both say something. */
const before = new Set(items.filter((item) => item.querySelector("input").checked).map((item) => item.dataset.id));
const done = new Set([...before, ...read()]);

/** The line that keeps the ticks with the record, where they are others than it has. */
const told = document.querySelector(".keep");
const showKeep = () => {
  const ticked = items.map((item) => item.dataset.id).filter((id) => done.has(id));
  told.hidden = ticked.length === before.size && ticked.every((id) => before.has(id));
  const [client, store] = document.body.dataset.sheet.split("/");
  told.querySelector("pre").textContent =
    `oxalis copy-sheet ${client} ${store} --entered ${ticked.length > 0 ? ticked.join(",") : "nothing"}`;
};
told.querySelector("button").addEventListener("click", () => copy(told.querySelector("pre")));
document.getElementById("all").textContent = String(items.length);
for (const item of items) {
  const { id } = item.dataset;
  const tick = item.querySelector("input");
  const button = item.querySelector("button");
  tick.checked = done.has(id);
  tick.addEventListener("change", () => {
    done[tick.checked ? "add" : "delete"](id);
    keep(done);
    show();
    showKeep();
  });
  if (!button) continue;
  const isWrong = item.classList.contains("wrong");
  let isSure = !isWrong;
  button.addEventListener("click", async () => {
    // What a store refuses is not copied by one click.
    if (!isSure) {
      isSure = true;
      button.textContent = "Copy it all the same";
      return;
    }
    isSure = !isWrong;
    await copy(item.querySelector("pre"));
    button.textContent = "Copied";
    setTimeout(() => {
      button.textContent = "Copy";
    }, 1500);
  });
}
show();
showKeep();
