"""A command as it is typed, run in this process: what it prints, what it says, its status."""

from __future__ import annotations

import io
import sys
from contextlib import redirect_stderr, redirect_stdout
from dataclasses import dataclass
from unittest import mock

from zirkel.cli.main import main


@dataclass(frozen=True, slots=True)
class Done:
    """What came of a command."""

    returncode: int
    stdout: str
    stderr: str


def zirkel(*words: object, data: bytes = b"") -> Done:
    """Run `zirkel` with those words and that on its standard input."""
    out, err = io.StringIO(), io.StringIO()
    given = mock.Mock(buffer=io.BytesIO(data))
    with redirect_stdout(out), redirect_stderr(err), mock.patch.object(sys, "stdin", given):
        try:
            status = main([str(each) for each in words])
        except SystemExit as leaving:
            status = int(leaving.code or 0)
    return Done(status, out.getvalue(), err.getvalue())
