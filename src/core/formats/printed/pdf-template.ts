import { LIGHT } from "../../look/colours";

/**
 * How a collection is set on pages, for Typst (https://typst.app/docs/reference/). What people wrote comes in as data and is
 * set as text, so that no sign of it is taken for a sign of the language.
 */
export const PDF_TEMPLATE = `
#let d = json(bytes(sys.inputs.data))
#let quiet = rgb("${LIGHT.quiet}")
#let accent = rgb("${LIGHT.accent}")
#let line-colour = rgb("${LIGHT.line}")
#let serif = ("Literata", "Atkinson Hyperlegible Next")
#let sans = ("Atkinson Hyperlegible Next", "Literata")
#let lang = d.language.split("-").first()
#set document(title: d.title, author: d.team, keywords: d.keywords, date: none)
#set text(lang: lang, dir: if d.direction == "rtl" { rtl } else { ltr }, font: sans, size: 10.5pt, fill: rgb("${LIGHT.ink}"))
#set par(leading: 0.62em, spacing: 0.8em, justify: false)
#set page(
  paper: d.paper,
  margin: (x: 21mm, top: 19mm, bottom: 21mm),
  footer: context {
    set text(size: 8.5pt, fill: quiet)
    grid(columns: (1fr, auto), d.title, counter(page).display("1 / 1", both: true))
  },
)
#show link: set text(fill: accent)
#show heading: set text(font: serif, weight: 600)
#show heading: set block(above: 1.6em, below: 0.7em, sticky: true)
#show heading.where(level: 1): set text(size: 22pt)
#show heading.where(level: 2): set text(size: 15pt)
#show heading.where(level: 3): set text(size: 12.5pt)
#let lines(all) = for one in all { par(one) }
#let run(one) = {
  let body = one.text
  if "italic" in one { body = emph(body) }
  if "bold" in one { body = strong(body) }
  if "small" in one { body = smallcaps(body) }
  if "raised" in one { body = super(body) }
  if "address" in one { link(one.address, body) } else { [#body] }
}
#let set-block(one) = {
  if one.kind == "words" { par(one.runs.map(run).join()) }
  else {
    let items = one.items.map(item => item.map(set-block).join())
    if one.numbered { enum(start: one.start, ..items) } else { list(..items) }
  }
}
#let blocks(all) = for one in all { set-block(one) }
#let small(body) = text(size: 9pt, fill: quiet, body)

#let entry(one) = {
  if one.title != "" {
    let title = text(weight: 700, one.title)
    if one.context.len() > 0 {
      text(font: serif, size: 12pt, lines(one.context))
    }
    par(if one.address == "" { title } else { link(one.address, title) })
  }
  par(small(one.source))
  if one.quotation.len() > 0 {
    block(inset: (left: 3mm), stroke: (left: 0.8pt + accent), text(font: serif, lines(one.quotation)))
  }
  if one.about.len() > 0 { text(fill: quiet, lines(one.about)) }
  if one.tags.len() > 0 and d.sheet == none { par(small(one.tags.join(" · "))) }
}

#let shown(one) = {
  let file = "/p/" + one.picture.hash + ".jpg"
  let drawn = image(file, width: 26mm, height: 17mm, fit: "cover", alt: if one.picture.alternative == "" { none } else { one.picture.alternative })
  // A picture that only recalls the page says nothing of its own.
  if one.picture.alternative == "" { pdf.artifact(drawn) } else { drawn }
}

// What is handed out leads back to the web, and has room to write.
#let code(svg) = pdf.artifact(image(bytes(svg), format: "svg", width: 24mm, height: 24mm))
#let room = pdf.artifact(block(above: 2mm, width: 100%, for _ in range(3) { v(7.5mm) + line(length: 100%, stroke: 0.4pt + quiet) }))

#let cloth(svg) = pdf.artifact(box(radius: 2pt, clip: true, image(bytes(svg), format: "svg", width: 100%, height: 12mm, fit: "cover")))

#for (i, part) in d.parts.enumerate() {
  let level = calc.min(part.level, 6)
  if part.level <= 2 and i > 0 { pagebreak(weak: true) }
  if part.cloth != "" { cloth(part.cloth) }
  if i == 0 and d.sheet != none and d.sheet.head != "" {
    v(4mm)
    grid(columns: (1fr, 24mm), column-gutter: 5mm, {
      heading(level: level, part.title)
      par(small(d.sheet.at))
    }, code(d.sheet.head))
  } else { heading(level: level, part.title) }
  if part.about.len() > 0 { text(font: serif, size: 12pt, fill: quiet, blocks(part.about)) }
  par(small(if i == 0 { d.team + " · " + part.holds + " · " + d.day } else { part.holds }))
  if i == 0 and d.parts.len() > 1 { block(above: 1.4em, below: 1.4em, outline(title: none, target: heading.where(level: 2))) }
  for section in part.sections {
    if section.title != "" {
      heading(level: calc.min(level + 1, 6), section.title + if section.minutes != "" { "  ·  " + section.minutes } else { "" })
    }
    blocks(section.intro)
    for one in section.entries {
      if one.number == none {
        block(above: 1em, below: 1em, {
          if one.title != "" { par(strong(one.title)) }
          text(font: serif, fill: quiet, lines(one.about))
        })
      } else {
        // What is short stays on one page.
        block(above: 1.1em, below: 0pt, breakable: one.long, width: 100%, stroke: (bottom: 0.4pt + line-colour), inset: (bottom: 0.9em), enum(
          start: one.number,
          numbering: n => text(font: serif, weight: 600, fill: accent, str(n)),
          body-indent: 4mm,
          tight: false,
          enum.item(one.number, if d.sheet != none {
            if one.code == "" { entry(one) + room } else { grid(columns: (1fr, 24mm), column-gutter: 5mm, entry(one) + room, code(one.code)) }
          } else if one.picture == none { entry(one) } else {
            grid(columns: (1fr, 26mm), column-gutter: 5mm, entry(one), shown(one))
          }),
        ))
      }
    }
  }
}

#if d.credits.len() > 0 and d.sheet == none {
  heading(level: 2, "Credits")
  let led(words, address) = if address == none or address == "" { words } else { link(address, words) }
  for one in d.credits { par(hanging-indent: 8mm, small(led(one.words, one.address) + ", " + led(one.licence, one.licenceAddress))) }
}

#if d.references.len() > 0 {
  heading(level: 2, "References")
  for one in d.references {
    let body = one.runs.map(run).join()
    if one.label == "" { par(hanging-indent: 8mm, body) } else {
      grid(columns: (10mm, 1fr), one.label, body)
      v(0.4em)
    }
  }
}
`;
