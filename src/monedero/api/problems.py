"""One map from refusal to answer: every error is a problem document.

Source: RFC 9457.
"""

from collections.abc import Sequence
from http import HTTPStatus
from typing import Any, NamedTuple, cast

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel, ValidationError
from pydantic_core import ErrorDetails
from starlette.datastructures import Headers
from starlette.exceptions import HTTPException
from starlette.types import Scope

from monedero.api.doors import BuyersRoute, route_of
from monedero.api.modes import mode_of
from monedero.core.account import Mode
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound, Refused
from monedero.formats.json_text import faults
from monedero.letters.reasons import with_reasons
from monedero.store.full_disk import disk_is_full
from monedero.wording import fault_text
from monedero.wording.buyer_faults import buyer_fault_text
from monedero.wording.buyers import BUYER_LANGUAGES, best_of, tell, to_buyer
from monedero.wording.catalogue import FALLBACK, has, say

MEDIA_TYPE = "application/problem+json"
STATUS = {InvalidInput: 422, NotFound: 404, Conflict: 409}


class Buyer(NamedTuple):
    """A buyer who asks: the languages wished for, and whether it is about an `offer`, an `order`, or neither."""

    languages: str
    about: str


class FieldProblem(BaseModel):
    """One fault: the field, the value as it came, its code, and what would be right."""

    field: str
    value: str
    code: str
    detail: str


class Problem(BaseModel):
    """A problem document, with the faults that it is about and the mode."""

    type: str
    title: str
    status: int
    detail: str
    mode: Mode
    errors: list[FieldProblem]


PROBLEMS: dict[int | str, dict[str, Any]] = {
    status: {"model": Problem, "content": {MEDIA_TYPE: {}}} for status in (400, 404, 409, 422)
}


def problem(status: int, found: Sequence[Fault], mode: Mode, buyer: Buyer | None = None) -> JSONResponse:
    """A problem document from faults; `buyer` is who asked, None at the desk."""
    errors = [
        FieldProblem(field=fault.field, value=fault.value, code=fault.code.value, detail=_detail(fault, buyer))
        for fault in found
    ]
    body = Problem(
        type=f"urn:monedero:problem:{errors[0].code}" if errors else "about:blank",
        title=_title(status, buyer, found),
        status=status,
        detail=" ".join(error.detail for error in errors),
        mode=mode,
        errors=errors,
    )
    return JSONResponse(body.model_dump(mode="json"), status_code=status, media_type=MEDIA_TYPE)


def _title(status: int, buyer: Buyer | None, found: Sequence[Fault]) -> str:
    if buyer is not None and (
        buyer.about == "offer" or (buyer.about == "order" and status == HTTPStatus.NOT_FOUND)
    ):
        with to_buyer(best_of(buyer.languages, (FALLBACK, *BUYER_LANGUAGES))):
            if any(fault.code is FaultCode.STOREFRONT_PAUSED for fault in found):
                return tell("shop-paused")
            return tell("cannot-be-paid" if buyer.about == "offer" else "no-such-order")
    return say(kind) if has(kind := f"problem-{status}") else HTTPStatus(status).phrase


def _detail(fault: Fault, buyer: Buyer | None) -> str:
    if buyer is None:
        return fault_text(fault)
    with to_buyer(best_of(buyer.languages, (FALLBACK, *BUYER_LANGUAGES))):
        return buyer_fault_text(fault)


def buyer_of(scope: Scope) -> Buyer | None:
    """The buyer who asks; None where it is not a buyer."""
    route = route_of(scope)
    if not isinstance(route, BuyersRoute):
        return None
    about = "order" if "{token}" in route.path else "offer" if route.path.endswith("/offer") else ""
    # A page that says in which language it is read is answered in that one, whatever the browser wishes.
    wished = scope.get("state", {}).get("reads") or Headers(scope=scope).get("accept-language", "")
    return Buyer(wished, about)


def _refused(request: Request, refused: Exception) -> JSONResponse:
    found = with_reasons(refused) if isinstance(refused, Refused) else ()
    status = next(status for kind, status in STATUS.items() if isinstance(refused, kind))
    return problem(status, found, mode_of(request.scope), buyer_of(request.scope))


def _invalid(request: Request, invalid: Exception) -> JSONResponse:
    if isinstance(invalid, RequestValidationError):
        errors = [cast("ErrorDetails", {**error, "loc": error["loc"][1:]}) for error in invalid.errors()]
        return problem(422, faults(errors), mode_of(request.scope), buyer_of(request.scope))
    found = faults(invalid.errors()) if isinstance(invalid, ValidationError) else ()
    return problem(422, found, mode_of(request.scope))


def _http(request: Request, failed: Exception) -> JSONResponse:
    status = failed.status_code if isinstance(failed, HTTPException) else 500
    if disk_is_full(failed):
        # A body that cannot be put down is told as one that cannot be read.
        return problem(507, [Fault(FaultCode.DISK_FULL, "disk")], mode_of(request.scope), buyer_of(request.scope))
    found: dict[int, Fault] = {
        400: Fault(FaultCode.BODY_UNREADABLE, "body"),
        404: Fault(FaultCode.NOT_FOUND, "path", request.url.path, {"what": "page"}),
    }
    told = [found[status]] if status in found else ()
    return problem(status, told, mode_of(request.scope))


def answer_refusals(app: FastAPI) -> None:
    """Let every refusal of the application become a problem document."""
    for kind in STATUS:
        app.add_exception_handler(kind, _refused)
    app.add_exception_handler(RequestValidationError, _invalid)
    app.add_exception_handler(ValidationError, _invalid)
    app.add_exception_handler(HTTPException, _http)
