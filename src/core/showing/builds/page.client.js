// Filters the builds; a client of which none is shown goes with them.
const form = document.querySelector(".filters");

function filter() {
  const { text, platform, stage, state } = form.elements;
  const wanted = text.value.trim().toLowerCase();
  const isWanted = (choice, own) => !choice.value || choice.value === own;
  let shown = 0;
  for (const section of document.querySelectorAll("main > section")) {
    let own = 0;
    for (const build of section.querySelectorAll(".build")) {
      const of = build.dataset;
      const isShown =
        section.dataset.text.includes(wanted) &&
        isWanted(platform, of.platform) &&
        isWanted(stage, of.stage) &&
        isWanted(state, of.state);
      build.hidden = !isShown;
      if (isShown) own++;
    }
    section.hidden = own === 0;
    shown += own;
  }
  form.elements.count.textContent = `${shown} shown`;
}

form.addEventListener("input", filter);
form.addEventListener("submit", (event) => event.preventDefault());
