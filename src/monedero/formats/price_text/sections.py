"""Tells what the lines above a line say of it: the heading it stands under, and the plan.

A line that names its own method takes nothing from a heading. Below a heading that is not understood, a line that would
need the one before it is not read.

Source: own design.

>>> sections = Sections()
>>> sections.heading(Facets(methods=("card",), origins=("eea",)))
>>> sections.within(Facets(card_kinds=("consumer-debit",))).origins
('eea',)
"""

from dataclasses import replace

from monedero.formats.price_text.model import Facets
from monedero.formats.price_text.unread import NotRead, Why


class Sections:
    """The heading that holds now."""

    def __init__(self) -> None:
        self._facets = Facets()
        self._unclear = False

    def heading(self, facets: Facets | None) -> None:
        """A heading; None is one that is not understood."""
        if facets is None:
            self._unclear = self._unclear or self._facets.narrows
            return
        self._facets, self._unclear = facets, False

    def within(self, own: Facets) -> Facets:
        """The facets of a line, with what it takes from its heading."""
        if own.methods:
            return own
        if self._unclear:
            raise NotRead(Why.NOTHING_UNDER)
        above = self._facets
        methods = above.methods or (("card",) if own.about_cards or above.about_cards else ())
        if own.rest:
            return replace(own, methods=methods)
        return replace(
            own,
            methods=methods,
            card_kinds=own.card_kinds or above.card_kinds,
            origins=own.origins or above.origins,
            countries=own.countries or above.countries,
            networks=own.networks or above.networks,
            line_kinds=own.line_kinds or above.line_kinds,
            recurring=above.recurring if own.recurring is None else own.recurring,
        )
