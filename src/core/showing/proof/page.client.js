// Shows the clients whose names hold what is written, in the list above and below it.
const search = document.querySelector(".find input");
search?.addEventListener("input", () => {
  const wanted = search.value.trim().toLowerCase();
  for (const each of document.querySelectorAll("[data-text]")) each.hidden = !each.dataset.text.includes(wanted);
});

// What is out of sight has no size yet: a sheet that is gone to moves while those beside it get theirs.
function goTo(sheet) {
  let frames = 30;
  const settle = () => {
    sheet.scrollIntoView({ behavior: "instant" });
    if (--frames > 0) requestAnimationFrame(settle);
  };
  settle();
}
document.querySelector(".top nav")?.addEventListener("click", (event) => {
  const sheet = document.getElementById(event.target.closest("a")?.hash.slice(1) ?? "");
  if (sheet) goTo(sheet);
});
const named = location.hash && document.getElementById(location.hash.slice(1));
if (named) addEventListener("load", () => goTo(named));
