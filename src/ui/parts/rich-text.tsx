"use client";

import { EditorContent, useEditor } from "@tiptap/react";
import StarterKit from "@tiptap/starter-kit";
import { Bold, Italic, Link2, List, ListOrdered } from "lucide-react";
import { useRef, useState } from "react";
import { sayFailure, sayUnsaved, theirsIn, whyOf } from "../talk/say-failure";
import { useGone, useLeaving } from "../talk/use-leaving";
import { type Save, Writing } from "../talk/writing";
import { IconButton } from "./button";
import { OtherWords } from "./other-words";

type Props = { label: string; value: string; onSave: Save; onDone: () => void };
const PAUSE = 800;

/** Words with bold, italics, lists and links, saved as they are typed. Escape is done. */
export function RichText({ label, value, onSave, onDone }: Props) {
  const unsaved = useRef<string | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const gone = useGone();
  const [writing] = useState(() => {
    const writing = new Writing();
    writing.begin(value);
    return writing;
  });
  /** What somebody else wrote in the same place, until it is decided what stands. */
  const [theirs, setTheirs] = useState<string | null>(null);
  const flush = () => {
    clearTimeout(timer.current);
    const html = unsaved.current;
    if (html === null) return;
    unsaved.current = null;
    const words = editor?.getText() ?? "";
    const save = () => writing.save(html === "<p></p>" ? "" : html, onSave);
    save().catch((error: unknown) => {
      const now = theirsIn(error);
      const again = () => {
        if (now !== null) writing.seen(now);
        return save();
      };
      if (gone.current) return sayUnsaved(words, whyOf(error), again);
      unsaved.current ??= html;
      if (now === null) sayFailure(error);
      setTheirs(now);
    });
  };
  const editor = useEditor({
    immediatelyRender: false,
    autofocus: "end",
    content: value,
    extensions: [
      StarterKit.configure({
        heading: { levels: [3, 4] },
        codeBlock: false,
        horizontalRule: false,
        link: { openOnClick: false, autolink: true, protocols: ["http", "https", "mailto"] },
      }),
    ],
    editorProps: {
      attributes: {
        role: "textbox",
        "aria-multiline": "true",
        "aria-label": label,
        class: "rich min-h-12 rounded-b-md bg-sheet px-3 py-2 outline-none",
      },
    },
    onUpdate: ({ editor }) => {
      unsaved.current = editor.getHTML();
      clearTimeout(timer.current);
      // What is to stand there is for the person to decide first.
      if (theirs === null) timer.current = setTimeout(flush, PAUSE);
    },
  });
  const [link, setLink] = useState<string | null>(null);
  useLeaving(flush);
  if (!editor) return null;
  const decide = (html: string) => {
    writing.seen(theirs!);
    setTheirs(null);
    editor.commands.setContent(html, { emitUpdate: false });
    unsaved.current = html;
    flush();
  };
  const setHref = () => {
    const href = link?.trim();
    setLink(null);
    if (href) editor.chain().focus().extendMarkRange("link").setLink({ href }).run();
    else editor.chain().focus().unsetLink().run();
  };
  const marks = [
    { label: "Bold", Icon: Bold, run: () => editor.chain().focus().toggleBold().run(), is: "bold" },
    { label: "Italics", Icon: Italic, run: () => editor.chain().focus().toggleItalic().run(), is: "italic" },
    {
      label: "List",
      Icon: List,
      run: () => editor.chain().focus().toggleBulletList().run(),
      is: "bulletList",
    },
    {
      label: "Numbered list",
      Icon: ListOrdered,
      run: () => editor.chain().focus().toggleOrderedList().run(),
      is: "orderedList",
    },
    {
      label: "Link",
      Icon: Link2,
      run: () => setLink((editor.getAttributes("link").href as string | undefined) ?? ""),
      is: "link",
    },
  ];
  return (
    <div
      className="rounded-md border border-edge"
      onBlur={(event) => {
        if (event.currentTarget.contains(event.relatedTarget) || theirs !== null) return;
        flush();
        onDone();
      }}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key !== "Escape") return;
        flush();
        onDone();
      }}
    >
      <div role="toolbar" aria-label={`Marks of ${label}`} className="flex gap-0.5 border-b border-line p-1">
        {marks.map(({ label, Icon, run, is }) => (
          <IconButton
            key={label}
            label={label}
            aria-pressed={editor.isActive(is)}
            onMouseDown={(event) => event.preventDefault()}
            onClick={run}
            className="size-8! aria-pressed:bg-wash aria-pressed:text-ink"
          >
            <Icon size={16} aria-hidden />
          </IconButton>
        ))}
        {link !== null && (
          <input
            autoFocus
            aria-label="Address of the link"
            placeholder="https://… and Enter; empty takes the link off"
            value={link}
            onChange={(event) => setLink(event.target.value)}
            onKeyDown={(event) => {
              event.stopPropagation();
              if (event.key === "Enter") setHref();
              else if (event.key === "Escape") setLink(null);
              else return;
              event.preventDefault();
            }}
            className="h-8 min-w-0 flex-1 rounded border border-edge bg-sheet px-2 text-[15px]"
          />
        )}
      </div>
      <EditorContent editor={editor} />
      {theirs !== null && (
        <OtherWords
          theirs={plain(theirs)}
          onMine={() => decide(editor.getHTML())}
          onTheirs={() => decide(theirs)}
          onBoth={() => decide(theirs + editor.getHTML())}
        />
      )}
    </div>
  );
}

const plain = (html: string) => new DOMParser().parseFromString(html, "text/html").body.innerText;
