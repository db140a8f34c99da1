const list = (words: string): ReadonlySet<string> => new Set(words.split(/\s+/));

/** Words that tell nothing apart: articles, little words, legal forms of companies. */
export const idle = list(
  `a an the of and & at by for from in on y e et und der die das den le la les l' de du des el los las il lo gli i
  os as o och og van von the app co company corp corporation gmbh mbh inc incorporated limited llc llp ltd oy
  oyj ab as a/s aps plc sa sarl sas srl spa s.p.a bv nv zur zum am im bei ug kg ohg ag gbr eg ev eurl scop earl
  gaec s.l sl slu kft zrt doo d.o.o sro s.r.o тов зат ооо оао ип`,
);

/** Words of trades that a great many names have, in the languages of most clients: alone they name nobody. */
export const common = list(
  `farm farms shop shops store stores market markets boxes box food foods fresh organic garden gardens nursery
  grower growers bakery cafe café coffee restaurant bar hotel inn club gym studio salon spa clinic dental
  practice school academy services service group solutions systems consulting agency taxi cars garage motors
  trade trading delivery brothers bros sons family gebrüder söhne familie frères hermanos fratelli online
  online-shop bauernhof hof biohof laden hofladen markt bäckerei gärtnerei metzgerei gasthaus praxis schule
  verein ferme fermes boutique magasin marché boulangerie jardin jardins maison atelier cabinet école hôtel
  granja finca tienda mercado panadería jardín casa taller clínica escuela fattoria azienda agricola negozio
  mercato panificio ferma ферма крамниця магазин ринок сад`,
);
