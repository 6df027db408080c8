"""The API keeps what its description promises, whatever is sent to it."""

import tempfile
from pathlib import Path
from typing import Any

import schemathesis
from hypothesis import HealthCheck, settings
from schemathesis.checks import not_a_server_error
from schemathesis.specs.openapi.checks import response_schema_conformance, status_code_conformance

from monedero.api.app import create_app
from monedero.work.premises import Premises

HERE = {"host": "127.0.0.1"}
APP = create_app(Premises(Path(tempfile.mkdtemp())), demo_first=True)
schema = schemathesis.openapi.from_asgi("/api/openapi.json", APP, headers=HERE)


@schema.parametrize()
@settings(max_examples=4, deadline=None, suppress_health_check=list(HealthCheck))
def test_every_operation_answers_as_it_says(case: "schemathesis.Case[Any]") -> None:
    case.call_and_validate(
        headers=HERE, checks=[not_a_server_error, response_schema_conformance, status_code_conformance]
    )
