"""What a frame of one size costs, to be held against other sizes."""

from gantline.compare.cutting import Boards, stocks_to_carry, wanted_by_board
from gantline.compare.materials import needed_but_boards
from gantline.core.frame.least_price import least_price
from gantline.core.materials import Bought, line_of, merged
from gantline.job.model.frame import FrameBuild, Materials
from gantline.plan.ask import Ask
from gantline.stations.frame import timber


def priced_cost(at: Ask, boards: Boards) -> float | None:
    """What a timber frame and all that goes on it cost new, as far as prices are known: boards by the stores' prices, the rest
    by the job's own. None for a kit, whose price is of one size, where nothing has a price, and where boards cannot be told.
    """
    if not at(timber):
        return None
    kerf, trim = at.field(FrameBuild.kerf_mm), at.field(FrameBuild.end_trim_mm)
    costs: list[float | None] = []
    for nominal, _, wanted in wanted_by_board(at):
        there, priced = stocks_to_carry(at, nominal, boards)
        if wanted and priced:
            costs.append(least_price(wanted, there, kerf_mm=kerf, trim_mm=trim))
    own = {material.id: material for material in at.things(Materials.items) if material.price is not None}
    for need in merged(needed_but_boards(at)) if own else ():
        mine = own.get(need.key)
        if mine is not None:
            costs.append(line_of(need, Bought(pack=mine.pack, price=mine.price)).cost)
    known = [cost for cost in costs if cost is not None]
    return sum(known) if known and len(known) == len(costs) else None
