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

const done = read();
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
  });
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
