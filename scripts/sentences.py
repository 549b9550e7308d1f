"""`python -m scripts.sentences` prints every sentence that Zirkel can say, file by file, to be read
aloud from top to bottom.

Python's are string literals outside docstrings with a letter, a space and no sign of code in them,
parts that are filled in shown as {}; the front end's are the words between tags and in labels.
"""

from __future__ import annotations

import ast
import re
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

ROOT = Path(__file__).parents[1]
SOURCE, FRONT = ROOT / "src" / "zirkel", ROOT / "frontend" / "src"

SILENT = ("demo", "store/migrations", "web/openapi.py", "core/simulation")
"""What says nothing to anybody: made-up data and the schema."""

CODE = re.compile(
    r"\\[swd]|^[a-z0-9_./%:\-]+$|SELECT |PRAGMA |CREATE |^\W*$|[a-z]+\(\)|=>|\bdata-|^[A-Z_]+$"
    r"|\$|===|\(event|React\\.|\w \? \W|\w\.\w+_|\w [?] |\w\.\w+_|&&| [?]$|Promise$|^ *[(,]"
)
LABELS = ("label", "title", "placeholder", "aria-label", "alt", "does", "said", "meaning")
BETWEEN = re.compile(r">([^<>{}=;]*[A-Za-z][^<>{}=;]*)<")
QUOTED = re.compile(rf"\b(?:{'|'.join(LABELS)})[=:]\s*\{{?[\"`]([^\"`]+)[\"`]")


@dataclass(frozen=True, slots=True)
class Sentence:
    """Something that is said, and where."""

    path: str
    line: int
    text: str


def all_sentences() -> list[Sentence]:
    """Everything, Python's first, in the order of the files."""
    return [*_of_python(), *_of_the_front_end()]


def _of_python() -> Iterator[Sentence]:
    for path in sorted(SOURCE.rglob("*.py")):
        name = path.relative_to(SOURCE).as_posix()
        if name.startswith(SILENT):
            continue
        tree = ast.parse(path.read_text())
        skipped = _documents(tree)
        inner: set[int] = set()
        for node in ast.walk(tree):
            if isinstance(node, ast.JoinedStr):
                inner |= {id(each) for each in ast.walk(node) if each is not node}
        for node in ast.walk(tree):
            if id(node) in skipped or id(node) in inner:
                continue
            text = _text(node)
            if text and _is_said(text):
                yield Sentence(f"src/zirkel/{name}", getattr(node, "lineno", 0), text)


def _documents(tree: ast.AST) -> set[int]:
    """Strings that stand alone: docstrings, and notes under a name."""
    return {
        id(node.value)
        for node in ast.walk(tree)
        if isinstance(node, ast.Expr) and isinstance(node.value, ast.Constant)
    }


def _text(node: ast.AST) -> str | None:
    if isinstance(node, ast.Constant) and isinstance(node.value, str):
        return node.value
    if isinstance(node, ast.JoinedStr):
        return "".join(
            str(each.value) if isinstance(each, ast.Constant) else "{}" for each in node.values
        )
    return None


def _is_said(text: str) -> bool:
    return " " in text.strip() and bool(re.search(r"[A-Za-z]{2}", text)) and not CODE.search(text)


def _of_the_front_end() -> Iterator[Sentence]:
    for path in sorted([*FRONT.rglob("*.tsx"), *FRONT.rglob("*.ts")]):
        source = re.sub(r"//.*|/\*[\s\S]*?\*/", lambda m: "\n" * m[0].count("\n"), path.read_text())
        for pattern in (BETWEEN, QUOTED):
            for found in pattern.finditer(source):
                text = " ".join(found[1].split())
                if _is_said(text):
                    line = source.count("\n", 0, found.start(1)) + 1
                    yield Sentence(path.relative_to(ROOT).as_posix(), line, text)


def main() -> None:
    """Print them."""
    last = ""
    for each in all_sentences():
        if each.path != last:
            last = each.path
            print(f"\n{last}")
        print(f"{each.line:5}  {' '.join(each.text.split())}")


if __name__ == "__main__":
    main()
