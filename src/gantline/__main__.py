"""python -m gantline: the command line."""

from gantline.sweeping import begun


def main() -> None:
    """Run a command."""
    begun()
    from gantline.cli import app

    app()


if __name__ == "__main__":
    main()
