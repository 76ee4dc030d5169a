import { expect, test } from "vitest";
import { COLUMN_MEANINGS, meaningOf } from "./table-heads";

test.each([
  ["English", ["URL", "Title", "Tags", "Description", "Date added", "Folder", "Week", "Author"]],
  [
    "German",
    [
      "Internetadresse",
      "Überschrift",
      "Schlagwörter",
      "Anmerkungen:",
      "Hinzugefügt am",
      "Ordner",
      "Abschnitt",
      "Verfasserin",
    ],
  ],
  ["French", ["Lien", "Intitulé", "Mots-clés", "Résumé", "Date d’ajout", "Catégorie", "Chapitre", "Auteurs"]],
  [
    "Spanish",
    ["Dirección web", "Título", "Palabras clave", "Descripción", "Fecha", "Carpeta", "Sección", "Autores"],
  ],
  [
    "Dutch",
    [
      "Webadres",
      "Naam",
      "Trefwoorden",
      "Opmerkingen",
      "Toegevoegd op",
      "Verzameling",
      "Hoofdstuk",
      "Schrijver",
    ],
  ],
  [
    "Italian",
    ["Indirizzo", "Titolo", "Parole chiave", "Descrizione", "Data", "Cartella", "Sezione", "Autore"],
  ],
  [
    "Portuguese",
    [
      "Endereço",
      "Título",
      "Palavras-chave",
      "Descrição",
      "Data de criação",
      "Pasta",
      "Secção".replace("cç", "ç"),
      "Autora",
    ],
  ],
  ["Swedish", ["Länk", "Rubrik", "Ämnesord", "Beskrivning", "Datum", "Mapp", "Avsnitt", "Författare"]],
  ["Polish", ["Łącze", "Tytuł", "Słowa kluczowe", "Uwagi", "Data dodania", "Ścieżka", "Rozdział", "Autorzy"]],
])("the heads of a table in %s", (_, heads) => {
  expect(heads.map(meaningOf)).toEqual(COLUMN_MEANINGS.filter((one) => one !== "nothing"));
});

test("what is no head is none", () => {
  for (const head of ["", "Peat", "https://bog.example", "Map", "x".repeat(10_000)])
    expect(meaningOf(head)).toBe("nothing");
});
