const shop = await (await fetch("shop.json")).json();

const price = new Intl.NumberFormat(document.documentElement.lang, { style: "currency", currency: shop.currency });

document.querySelector("#contact").href = `mailto:${shop.contact.email}`;
document.querySelector("#boxes").replaceChildren(
  ...shop.boxes.map((box) => {
    const card = document.createElement("article");
    const [title, text, order] = ["h2", "p", "button"].map((tag) => document.createElement(tag));
    title.textContent = box.title;
    text.textContent = box.text;
    order.textContent = `Order · ${price.format(box.price)}`;
    card.append(title, text, order);
    return card;
  }),
);

if ("serviceWorker" in navigator) navigator.serviceWorker.register("sw.js");
