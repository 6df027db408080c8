"""A name stands on one line: line breaks in it are blanks, and signs that turn round what follows are left out.

What names a shop, a line or a file becomes a part of other texts: a break would begin a new line of a message's head,
and a sign that turns text round would show `gpj.exe` as `exe.jpg`.

Source: Unicode Standard Annex 9 (the signs that turn text round); RFC 5322 (a line of a message's head ends with a line
break).

>>> on_one_line("Cabo\\r\\nNoite"), on_one_line("gnp\\u202efdp.exe")
('Cabo Noite', 'gnpfdp.exe')
>>> from pydantic import TypeAdapter
>>> from monedero.core.fields import Name
>>> TypeAdapter(Name).validate_python("\\u202e\\n")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for function-plain[check()]
  blank [type=blank, input_value='\\u202e\\n', input_type=str]
"""

import re

# Marks, embeddings, overrides and isolates that turn round what follows them (Unicode Standard Annex 9).
TURNING = re.compile("[\u202a-\u202e\u2066-\u2069]")
BREAKING = re.compile(r"[\x00-\x1f\x7f-\x9f\u2028\u2029]+")


def on_one_line(text: str) -> str:
    """A text that names something: its line breaks are blanks, and nothing in it turns round what follows."""
    return BREAKING.sub(" ", TURNING.sub("", text)).strip()
