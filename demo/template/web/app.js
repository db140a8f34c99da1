const read = async (file) => (await fetch(file)).json();
const [shop, boxes] = await Promise.all([read("shop.json"), read("boxes/boxes.json")]);

const price = new Intl.NumberFormat(document.documentElement.lang, { style: "currency", currency: shop.currency });

document.querySelector("#contact").href = `mailto:${shop.contact.email}`;
document.querySelector("#boxes").replaceChildren(
  ...boxes.map((box) => {
    const card = document.createElement("article");
    const [photo, title, text, order] = ["img", "h2", "p", "button"].map((tag) => document.createElement(tag));
    photo.src = `boxes/${box.photo}`;
    photo.alt = "";
    title.textContent = box.title;
    text.textContent = box.text ?? "";
    order.textContent = `Order · ${price.format(box.price)}`;
    card.append(photo, title, text, order);
    return card;
  }),
);

if ("serviceWorker" in navigator) navigator.serviceWorker.register("sw.js");
