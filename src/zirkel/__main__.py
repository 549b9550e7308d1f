"""`python -m zirkel` is the `zirkel` command."""

import sys

from zirkel.cli.main import main

sys.exit(main())
