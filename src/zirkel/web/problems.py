"""Errors as application/problem+json (RFC 9457), with the field's name where there is one."""

from __future__ import annotations

from typing import Annotated

from flask import Flask, Response, request
from pydantic import AfterValidator, BaseModel, ValidationError
from werkzeug.exceptions import HTTPException, RequestEntityTooLarge

from zirkel.errors import (
    Abandoned,
    BadInput,
    CannotKeep,
    NotFound,
    Overtaken,
    StaleVersion,
    TokenReused,
    TooMuchWork,
    Unreadable,
    ZirkelError,
)
from zirkel.studyfile.problems import said_plainly, writable

INVALID, MISSING, CONFLICT, TOO_LARGE, NO_ROOM = 422, 404, 409, 413, 507


Told = Annotated[str, AfterValidator(writable)]
"""Text of an answer, whatever was in the question."""


TOLD: tuple[tuple[type[ZirkelError], str, int], ...] = (
    (NotFound, "Not found", MISSING),
    (Abandoned, "Left off", CONFLICT),
    (TooMuchWork, "Too much at once", INVALID),
    (TokenReused, "Another change", CONFLICT),
    (Unreadable, "This study can't be read", INVALID),
    (CannotKeep, "Nothing can be kept now", NO_ROOM),
)
"""Title and status of each of Zirkel's own errors that says all by its sentence."""


class FieldProblem(BaseModel):
    """What is wrong with one field."""

    field: Told
    problem: Told


class Problem(BaseModel):
    """The body of every error."""

    type: str = "about:blank"
    title: str
    status: int
    detail: Told
    field: Told | None = None
    problems: list[FieldProblem] = []
    current_version: int | None = None


class Refused(ZirkelError):
    """A request that is answered by a problem of its own."""

    def __init__(self, problem: Problem) -> None:
        super().__init__(problem.detail)
        self.problem = problem


def reply(problem: Problem) -> Response:
    """The response for a problem."""
    return Response(
        problem.model_dump_json(exclude_none=True),
        status=problem.status,
        mimetype="application/problem+json",
    )


def invalid(error: BadInput) -> Response:
    """The response for an entry that cannot be taken."""
    every = ((error.field, error.problem), *error.more)
    return reply(
        Problem(
            title="This entry can't be taken",
            status=INVALID,
            detail=str(error),
            field=error.field,
            problems=[FieldProblem(field=field, problem=problem) for field, problem in every],
        )
    )


def invalid_request(error: ValidationError) -> Response:
    """The response where the request itself does not fit the schema."""
    document = request.args if request.method == "GET" else request.get_json(silent=True)
    if document is None:
        return reply(
            Problem(title="Bad request", status=400, detail="The request's body is not JSON.")
        )
    return invalid(said_plainly(error, document))


def register(app: Flask) -> None:
    """Answer every error that reaches the border as a problem."""

    @app.errorhandler(ZirkelError)
    def _ours(error: ZirkelError) -> Response:
        if isinstance(error, BadInput):
            return invalid(error)
        if isinstance(error, Refused):
            return reply(error.problem)
        if isinstance(error, StaleVersion):
            return reply(
                Problem(
                    title="Changed elsewhere",
                    status=CONFLICT,
                    detail=str(error),
                    current_version=error.current,
                )
            )
        if isinstance(error, Overtaken):
            return reply(
                Problem(
                    title="Overtaken",
                    status=CONFLICT,
                    detail=str(error),
                    current_version=error.current,
                )
            )
        title, status = next(
            ((title, status) for kind, title, status in TOLD if isinstance(error, kind)),
            ("This can't be done", INVALID),
        )
        return reply(Problem(title=title, status=status, detail=str(error)))

    @app.errorhandler(RequestEntityTooLarge)
    def _too_large(_error: RequestEntityTooLarge) -> Response:
        return reply(
            Problem(
                title="Too large",
                status=TOO_LARGE,
                detail=f"This is more than {(request.max_content_length or 0) / 1e6:.0f} MB, more "
                "than Zirkel takes here: is it the right file?",
                field="file",
            )
        )

    @app.errorhandler(RecursionError)
    def _too_deep(_error: RecursionError) -> Response:
        return invalid(BadInput("body", "the request is nested deeper than anything Zirkel takes"))

    @app.errorhandler(UnicodeEncodeError)
    def _half_a_letter(error: UnicodeEncodeError) -> Response:
        half = error.object[error.start : error.end].encode("ascii", "backslashreplace").decode()
        return invalid(
            BadInput("text", f"{half} is half a letter that nothing can hold: leave it out")
        )

    @app.errorhandler(HTTPException)
    def _http(error: HTTPException) -> Response:
        if error.response is not None:
            return error.response  # type: ignore[return-value]
        return reply(
            Problem(title=error.name, status=error.code or 500, detail=error.description or "")
        )

    @app.errorhandler(Exception)
    def _unexpected(error: Exception) -> Response:
        app.logger.exception("Unexpected error", exc_info=error)
        return reply(
            Problem(
                title="Zirkel went wrong",
                status=500,
                detail="This is Zirkel's mistake, not yours. What you entered before is kept.",
            )
        )


def as_json(model: BaseModel, status: int = 200) -> Response:
    """A model as a JSON response."""
    return Response(
        model.model_dump_json(by_alias=True), status=status, mimetype="application/json"
    )
