"""Every operation of the OpenAPI, asked with whatever a generator thinks of: no 5xx, only what is documented."""

from collections.abc import Callable, Iterator
from typing import Any

import schemathesis
from hypothesis import HealthCheck, given, settings
from schemathesis.checks import CHECKS, load_all_checks

from gantline.core.errors import DesignError
from gantline.server import create_app
from gantline.settings import Settings

load_all_checks()
CHECKED = CHECKS.get_by_names(
    [
        "not_a_server_error",
        "status_code_conformance",
        "content_type_conformance",
        "response_schema_conformance",
    ]
)


def test_no_request_breaks_the_server(new_database: Callable[[], str]) -> None:
    app = create_app(Settings(database_url=new_database(), hosts=("testserver",)))
    schema = schemathesis.openapi.from_asgi("/openapi.json", app)
    asked = 0
    for found in schema.get_all_operations():
        operation: Any = found.ok()  # type: ignore[union-attr]

        @given(case=operation.as_strategy())
        @settings(max_examples=8, deadline=None, suppress_health_check=list(HealthCheck), database=None)
        def ask(case: Any) -> None:
            case.call_and_validate(checks=CHECKED)

        ask()
        asked += 1
    app.state.engine.dispose()
    assert asked > 15


def test_every_design_error_has_a_code_of_its_own() -> None:
    import gantline.cli
    import gantline.job.problems
    import gantline.store.shops  # noqa: F401

    def below(kind: type[DesignError]) -> Iterator[type[DesignError]]:
        for one in kind.__subclasses__():
            yield one
            yield from below(one)

    codes = [kind.code for kind in below(DesignError)]
    assert len(codes) == len(set(codes))
    assert DesignError.code not in codes
