"""`zirkel backup`, `restore`, `pack` and `unpack`: copies of the database, and the whole shelf as
one file."""

from __future__ import annotations

import argparse
import sys
from collections.abc import Callable
from pathlib import Path

from zirkel.cli.options import add_data_option
from zirkel.errors import BadInput

DATABASE = "zirkel.sqlite"


def backup(options: argparse.Namespace) -> None:
    """Copy the database now."""
    from zirkel.store.backups import BY_HAND, back_up  # noqa: PLC0415

    made = back_up(_database(options.data), BY_HAND)
    print(f"{made.name} ({made.size / 1e6:.1f} MB)")


def restore(options: argparse.Namespace) -> None:
    """List the copies of the database, or put one in its place."""
    from zirkel.store.backups import backups  # noqa: PLC0415
    from zirkel.store.backups import restore as put_back  # noqa: PLC0415

    if options.name is None:
        found = backups(options.data)
        for each in found:
            print(f"{each.name}  {each.at:%d %B %Y, %H:%M} UTC  {each.size / 1e6:.1f} MB")
        if not found:
            print(f"There are no copies in {options.data / 'backups'} yet.")
        return
    made, kept = put_back(options.data / DATABASE, options.name)
    print(f"{made.name} is in place. {f'What stood there is {kept}.' if kept else ''}".strip())


def pack(options: argparse.Namespace) -> None:
    """Write the whole shelf into one file."""
    from zirkel.commands.shelf import pack as write  # noqa: PLC0415
    from zirkel.store.store import Store  # noqa: PLC0415

    database = _database(options.data)
    if options.file.exists() and not (options.replace or _agreed(options.file)):
        raise BadInput("file", f"{options.file} is there already: give another name, or --replace")
    beside = options.file.with_name(f"{options.file.name}.new")
    try:
        store = Store.at(database)
        try:
            with beside.open("wb") as out:
                made = write(store, out)
        finally:
            store.close()
        beside.replace(options.file)
    except OSError as error:
        raise BadInput("file", f"{options.file} can't be written ({error.strerror})") from error
    finally:
        beside.unlink(missing_ok=True)
    print(f"{len(made.studies)} studies and {len(made.pictures)} pictures are in {options.file}.")


def _agreed(file: Path) -> bool:
    """Whether who sits before the terminal lets a file be written over."""
    if not sys.stdin.isatty():
        return False
    return input(f"{file} is there already. Write over it? [y/N] ").strip().lower() in ("y", "yes")


def unpack(options: argparse.Namespace) -> None:
    """Take in what of such a file is not here yet."""
    from zirkel.commands.shelf import unpack as read  # noqa: PLC0415
    from zirkel.store.store import Store  # noqa: PLC0415

    try:
        with options.file.open("rb") as data:
            store = Store.at(options.data / DATABASE)
            try:
                told = read(store, data)
            finally:
                store.close()
    except OSError as error:
        raise BadInput("file", f"{options.file} can't be read ({error.strerror})") from error
    print(
        f"New: {told.studies} studies, {told.pictures} pictures, {told.scenes} scenes, {told.own} "
        f"own files, {told.trials} trials. Here already: {told.known}."
    )
    for each in told.trouble:
        print(f"Not taken: {each}")


def _database(data: Path) -> Path:
    database = data / DATABASE
    if not database.is_file():
        raise BadInput("data", f"there is no {DATABASE} in {data}: choose the folder with --data")
    return database


KEEPING: dict[str, Callable[[argparse.Namespace], None]] = {
    "backup": backup,
    "restore": restore,
    "pack": pack,
    "unpack": unpack,
}


def add_keeping(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Their options."""
    for name, command in KEEPING.items():
        sub = commands.add_parser(name, help=command.__doc__)
        add_data_option(sub)
        if name == "restore":
            sub.add_argument("name", nargs="?", help="which copy; without it, all are listed")
        if name in ("pack", "unpack"):
            sub.add_argument("file", type=Path, help="the archive, say shelf.zirkel.zip")
        if name == "pack":
            sub.add_argument("--replace", action="store_true", help="write over one that is there")
