"""Places that areas are made of: groups of countries, and the towns around one."""

from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel, Field

from monedero.api.problems import PROBLEMS
from monedero.core.fields import CountryCode, Name
from monedero.figures.country_groups import CountryGroup, groups
from monedero.figures.towns import within

router = APIRouter(prefix="/api", tags=["shop"], responses=PROBLEMS)


class Circle(BaseModel):
    """A circle of so many kilometres around a town of a country."""

    country: CountryCode
    around: Name
    kilometres: Annotated[int, Field(ge=0, le=500)]


class CountryGroups(BaseModel):
    """The groups of countries that can be picked at once."""

    groups: list[CountryGroup]


class TownsOut(BaseModel):
    """The towns of a country in a circle, by name."""

    towns: list[str]


@router.get("/country-groups")
def read_country_groups() -> CountryGroups:
    """Groups of countries that can be picked at once, each with its source."""
    return CountryGroups(groups=list(groups().values()))


@router.get("/towns")
def read_towns(circle: Annotated[Circle, Query()]) -> TownsOut:
    """The towns of a country in a circle around one of them."""
    return TownsOut(towns=within(circle.country, circle.around, circle.kilometres))
