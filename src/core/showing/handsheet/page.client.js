// Copies what stands beside a button.
for (const button of document.querySelectorAll("button"))
  button.addEventListener("click", async () => {
    const pre = button.parentElement.querySelector("pre");
    try {
      await navigator.clipboard.writeText(pre.textContent);
    } catch {
      getSelection().selectAllChildren(pre);
      document.execCommand("copy");
      getSelection().removeAllRanges();
    }
    button.textContent = "Copied";
    setTimeout(() => {
      button.textContent = "Copy";
    }, 1500);
  });
