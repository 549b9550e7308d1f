"""Routes that are described late: the document of the API is worked out when it is first asked for,
not at every start.

Describing sixty operations takes longer than all else at the start together; artists wait for the
wall, and only tools ask for the document.
"""

from __future__ import annotations

from collections.abc import Callable
from threading import Lock
from typing import Any

from flask_openapi3 import APIBlueprint, OpenAPI


class LateBlueprint(APIBlueprint):
    """Routes whose operations are noted down, and described once `describe` is called."""

    def __init__(self, *args: Any, **options: Any) -> None:
        super().__init__(*args, **options)
        self._noted: list[tuple[str, Callable[..., Any], dict[str, Any]]] = []

    def _collect_openapi_info(self, rule: str, func: Callable[..., Any], **told: Any) -> Any:
        """Only what the route needs to check its requests by."""
        self._noted.append((rule, func, told))
        return super()._collect_openapi_info(rule, func, **{**told, "doc_ui": False})

    def describe(self) -> None:
        """Describe what was noted, in the order in which it was."""
        while self._noted:
            rule, func, told = self._noted.pop(0)
            super()._collect_openapi_info(rule, func, **told)


class LateOpenAPI(OpenAPI):
    """An application that describes its routes when its document is first asked for."""

    def __init__(self, *args: Any, **options: Any) -> None:
        self._late: list[LateBlueprint] = []
        self._describing = Lock()
        super().__init__(*args, **options)

    def register_api(self, api: APIBlueprint, **options: Any) -> None:
        """Serve the routes; describe them later."""
        if isinstance(api, LateBlueprint):
            self._late.append(api)
        super().register_api(api, **options)

    def generate_spec_json(self) -> None:
        """The document, all routes described."""
        with self._describing:
            for routes in self._late:
                routes.describe()
                self.paths.update(routes.paths)
                self.components_schemas.update(routes.components_schemas)
                for tag in routes.tags:
                    if tag.name not in self.tag_names:
                        self.tags.append(tag)
                        self.tag_names.append(tag.name)
            super().generate_spec_json()  # type: ignore[no-untyped-call]
