"""A month of orders: the profile as it is typed, and the assumptions."""

from fractions import Fraction

from fastapi import APIRouter
from pydantic import BaseModel, StrictInt

from monedero.api.desk.assumption_views import assumption_out
from monedero.api.desk.compare_schemas import AssumptionOut
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.cost.assumption import Assumptions
from monedero.core.numbers import decimal_text
from monedero.core.profile import Profile
from monedero.store.documents import Versioned
from monedero.work.compare.assumptions import assume, every_assumption
from monedero.work.month.profile import derived, profile_of

router = APIRouter(prefix="/api", tags=["month"], responses=PROBLEMS)


class ProfileState(BaseModel):
    """The order profile with its version, and what it adds up to."""

    mode: Mode
    version: int
    profile: Profile
    orders: str


class ProfileEdit(BaseModel):
    """The profile as it shall be, over the version that was read."""

    version: StrictInt
    profile: Profile


class DerivedOut(BaseModel):
    """A profile typed from past orders, and how many of them name no line and market of the shop."""

    mode: Mode
    profile: Profile
    in_no_cell: int


class AssumptionEdit(BaseModel):
    """A value for an assumption; without one the default holds again."""

    id: str
    about: str
    value: str | None


def _profile(mode: Mode, saved: Versioned[Profile]) -> ProfileState:
    orders = sum((Fraction(cell.orders) for cell in saved.value.cells), Fraction(0))
    return ProfileState(mode=mode, version=saved.version, profile=saved.value, orders=decimal_text(orders, 2))


@router.get("/profile")
def read_profile(running: RunningDep, context: ContextDep) -> ProfileState:
    """The order profile."""
    return _profile(context.mode, profile_of(context))


@router.put("/profile")
def save_profile(running: RunningDep, context: ContextDep, edit: ProfileEdit) -> ProfileState:
    """Save the order profile as a whole."""
    return _profile(context.mode, running.store.profile.save(edit.profile, edit.version))


@router.get("/profile/derived")
def read_derived_profile(running: RunningDep, context: ContextDep) -> DerivedOut:
    """The profile that the past orders would give; nothing is saved."""
    found = derived(context)
    return DerivedOut(mode=context.mode, profile=found.profile, in_no_cell=found.in_no_cell)


@router.get("/assumptions")
def read_assumptions(running: RunningDep, context: ContextDep) -> list[AssumptionOut]:
    """Every assumption for the families and methods at hand, with where its default comes from."""
    inputs, found = every_assumption(context)
    return [assumption_out(assumption, about, inputs) for assumption, about in found]


@router.put("/assumptions")
def save_assumption(running: RunningDep, context: ContextDep, edit: AssumptionEdit) -> Assumptions:
    """Type a value for one assumption, or go back to its default."""
    return assume(context, edit.id, edit.about, edit.value)
