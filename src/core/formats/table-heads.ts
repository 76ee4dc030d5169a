/** What a column of a table means. */
export const COLUMN_MEANINGS = [
  "address",
  "title",
  "tags",
  "note",
  "date",
  "collection",
  "section",
  "author",
  "nothing",
] as const;
export type ColumnMeaning = (typeof COLUMN_MEANINGS)[number];

/**
 * Words by which the heads of columns are known, folded, in English, German, French, Spanish, Dutch, Italian, Portuguese,
 * Swedish and Polish; common practice of exports and of people's own lists, no single source. A word that means something
 * else in another of these languages is left out.
 */
const HEADS: [ColumnMeaning, string][] = [
  [
    "address",
    `urls?|uris?|links?|hrefs?|address(es)?|web ?(site|address|page)s?|permalinks?|locations?
    |(internet|web|netz)?adresse( web)?|weblink|verweis|liens?|site( web)?|direccion( web)?|enlaces?|vinculos?|sitio( web)?
    |(web)?adres( www)?|koppeling|indirizzo( web)?|collegament[oi]|sito( web)?|endereco( web)?|hiperligacao|ligacao
    |lank|(webb)?adress|webbplats|odnosnik|lacze|strona`,
  ],
  [
    "title",
    `titles?|names?|headlines?|resources?|label text|titel|bezeichnung|uberschrift|titres?|intitule|noms?|titulos?|nombres?
    |naam|titolo|titoli|nome|namn|rubrik|tytul|nazwa`,
  ],
  [
    "tags",
    `tags?|keywords?|labels?|subjects?|topics?|schlag(wort|worte|worter)|stich(wort|worte|worter)|thema|themen
    |mots?[ -]cles?|etiquettes?|sujets?|themes?|etiquetas?|palabras? clave|temas?|materias?|trefwoord(en)?|onderwerp(en)?
    |parol[ae] chiave|etichett[ae]|argoment[oi]|palavras?[ -]chave|assuntos?|marcador(es)?|nyckelord|amne(n|sord)?
    |etikett(er)?|taggar|slow[ao] kluczowe|tagi|tematy?|etykiet[ay]`,
  ],
  [
    "note",
    `notes?|descriptions?|comments?|context|annotations?|abstract|summary|excerpt|details|notiz(en)?|beschreibung
    |(an|be)merkung(en)?|kommentare?|zusammenfassung|commentaires?|remarques?|resume|notas?|descripcion|comentarios?
    |observaciones|resumen|notities?|beschrijving|omschrijving|opmerking(en)?|samenvatting|toelichting|not[ae]
    |descrizione|comment[oi]|osservazioni|riassunto|descricao|observacoes|resumo|anteckning(ar)?|beskrivning
    |kommentarer|sammanfattning|notatk[ai]|opis|uwagi|komentarze?|streszczenie`,
  ],
  [
    "date",
    `date|added|created|saved|time|timestamp|(date|time)[ _]?(added|created|saved)|(added|created|saved)[ _]?(at|on|date)
    |datum|(hinzugefugt|erstellt|gespeichert)( am)?|date (d.ajout|de creation)|(ajoute|cree)( le)?|fecha( de (alta|creacion))?
    |anadido|creado|(toegevoegd|aangemaakt)( op)?|data( di (creazione|aggiunta))?|aggiunto|creato|data de criacao|adicionado
    |criado|tillagd|skapad|data (dodania|utworzenia)|dodano|utworzono`,
  ],
  [
    "collection",
    `collections?|folders?|lists?|categor(y|ies)|groups?|path|board|notebook|sammlung|ordner|liste|kategorien?|gruppe|pfad
    |dossiers?|categories?|groupes?|chemin|coleccion|carpetas?|listas?|categorias?|grupos?|ruta|verzameling|lijst|groep
    |raccolta|cartell[ae]|elenco|gruppo|percorso|colecao|pastas?|caminho|samling|mapp|kategori(er)?|grupp|kolekcja|zbior
    |kategorie|grupa|sciezka`,
  ],
  [
    "section",
    `sections?|parts?|headings?|weeks?|units?|chapters?|abschnitt|teil|kapitel|woche|einheit|parties?|chapitres?|semaines?
    |unites?|seccion|partes?|capitulos?|semanas?|unidad(es)?|sectie|deel|hoofdstuk|eenheid|sezion[ei]|capitolo|settimana
    |unita|secao|unidade|avsnitt|vecka|enhet|sekcja|czesc|rozdzial|tydzien`,
  ],
  [
    "author",
    `authors?|creators?|by|autor(en|in)?|verfasser(in)?|urheber|auteurs?|autor(es|a)?|schrijver|autor[ei]|autrice
    |forfattare|autor(zy|ka)?`,
  ],
];
const KNOWN = HEADS.map(
  ([meaning, words]) => [meaning, new RegExp(`^(${words.replace(/\n\s*/g, "")})$`)] as const,
);

/** Letters that are no letter with a mark. */
const OTHER: Record<string, string> = { ł: "l", ø: "o", ß: "ss", æ: "ae", đ: "d" };
const fold = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .normalize("NFD")
    .replace(/\p{M}/gu, "")
    .replace(/[łøßæđ]/g, (letter) => OTHER[letter]!)
    .replace(/\s*[:*]$/, "")
    .replace(/\s+/g, " ");

/** What a column means by its head; “nothing” where that is not known. */
export const meaningOf = (head: string): ColumnMeaning =>
  KNOWN.find(([, words]) => words.test(fold(head)))?.[0] ?? "nothing";
