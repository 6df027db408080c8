"""The pages to print, which are drawn from templates."""

from pathlib import Path

from fastapi.templating import Jinja2Templates

TEMPLATES = Jinja2Templates(Path(__file__).parent / "templates")
