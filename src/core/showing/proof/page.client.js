// Shows the clients whose names hold what is written, in the list above and below it.
const search = document.querySelector(".find input");
search?.addEventListener("input", () => {
  const wanted = search.value.trim().toLowerCase();
  for (const each of document.querySelectorAll("[data-text]")) each.hidden = !each.dataset.text.includes(wanted);
});
