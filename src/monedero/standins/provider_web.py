"""The simulated provider's own small web surface: one page, two outcomes."""

from pathlib import Path
from typing import Annotated

from fastapi import FastAPI, Form, Request, Response
from fastapi.responses import HTMLResponse, RedirectResponse
from fastapi.templating import Jinja2Templates

from monedero.core.errors import InvalidInput
from monedero.standins.provider import Outcome, SimulatedProvider
from monedero.wording.show import money

TEMPLATES = Jinja2Templates(Path(__file__).parent / "templates")


def provider_app(provider: SimulatedProvider) -> FastAPI:
    """The pages of the simulated provider, to be mounted at its path."""
    app = FastAPI(title="Simulated provider", openapi_url=None)

    @app.get("/pay/{signed}", response_class=HTMLResponse)
    def page(request: Request, signed: str) -> HTMLResponse:
        try:
            payment = provider.payment(signed)
        except InvalidInput:
            return TEMPLATES.TemplateResponse(request, "unknown_payment.html", {}, status_code=400)
        fields = {"payment": payment, "amount": money(payment.amount)}
        return TEMPLATES.TemplateResponse(request, "pay.html", fields)

    @app.post("/pay/{signed}")
    def choose(request: Request, signed: str, outcome: Annotated[Outcome, Form()]) -> Response:
        try:
            payment = provider.payment(signed)
        except InvalidInput:
            return TEMPLATES.TemplateResponse(request, "unknown_payment.html", {}, status_code=400)
        return RedirectResponse(f"{payment.back}?answer={provider.answer(payment, outcome)}", status_code=303)

    return app
