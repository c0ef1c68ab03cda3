<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Complaint\ComplaintWork;
use NimbleKnuckle\Core\Plan\Kit\Kit;
use NimbleKnuckle\Core\Plan\Lint\Linter;
use NimbleKnuckle\Core\Plan\Pace\Paces;
use NimbleKnuckle\Core\Plan\Procedure\Choices;
use NimbleKnuckle\Core\Plan\Procedure\CommonParts;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Procedure\Procedure;
use NimbleKnuckle\Core\Plan\Procedure\Questions;
use NimbleKnuckle\Core\Plan\Sheet\Lists;
use NimbleKnuckle\Core\Plan\Sheet\Sheet;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/**
 * Makes a fit sheet: resolve, close, order, expand (with the cures, the run-down and the moves), weave, list, lint. Same input,
 * same output.
 */
final readonly class Compiler
{
    /** Moves that any job off the floor needs. */
    private const UP_AND_DOWN = 2;

    public function __construct(private CommonParts $common, private Linter $linter = new Linter())
    {
    }

    /**
     * @param list<Procedure> $procedures
     * @param int $people one or two pairs of hands
     * @param Paces $paces how long steps take in this workshop
     * @param ?Standing $standing what stands where a running fit is planned again; null for a new one
     *
     * @throws UnplannableFit
     */
    public function compile(
        array $procedures, Choices $choices, VehicleSheet $vehicle, Kit $kit, int $people = 1, ?Standing $standing = null,
        Paces $paces = new Paces(),
    ): Sheet {
        $this->ensureOffered($choices);
        $choices = new Choices(Questions::agreed($procedures, $choices->chosen));
        $vehicle = Chosen::onto($vehicle, $choices);
        [$steps, $resolved] = self::arranged($procedures, $choices, $vehicle, $standing->ids ?? []);
        foreach (null === $standing && Moves::needed($steps) > self::UP_AND_DOWN ? self::turned($procedures) : [] as $turned) {
            [$other, $so] = self::arranged($turned, $choices, $vehicle, []);
            [$steps, $resolved] = Moves::needed($other) < Moves::needed($steps) ? [$other, $so] : [$steps, $resolved];
        }
        $cured = (new Cure($vehicle, $choices))->into($standing?->carried($steps) ?? $steps);
        $cured = (new RunDown($vehicle, $choices))->into($cured);
        [$steps, $moves] = (new Moves($this->common, $vehicle))->into((new ToolCount($this->common))->into(
            (new EndsLook($this->common, $vehicle))->into((new ColdHands($this->common, $vehicle))->into($cured)),
        ));
        $steps = AgainstTheLock::into((new Wheels($this->common, $vehicle))->into($steps));
        $steps = $paces->onto(WarmLimits::onto(ForPeople::said($steps, $people), $vehicle));
        $steps = 2 === $people ? (new Await())->in($steps, $resolved) : $steps;
        $list = new ListOut($vehicle, $kit);
        $title = implode(', ', array_map(static fn (Procedure $p): string => $p->title, ComplaintWork::without($procedures)));
        $bare = new Sheet(
            $title, $steps, [], new Lists($list->tools($steps), $list->consumables($steps), $list->parts($steps)),
            (new Weave())->of($steps, $people), $moves, self::expected($procedures, $resolved),
        );

        return $this->linter->marked($bare, $vehicle, $kit);
    }

    /**
     * @param list<Procedure> $procedures
     * @param list<string> $standing
     *
     * @return array{list<Step>, Resolved}
     */
    private static function arranged(array $procedures, Choices $choices, VehicleSheet $vehicle, array $standing): array
    {
        $resolved = (new Resolve())->of($procedures, $choices, $vehicle, $standing);
        $strip = self::strip($resolved, $vehicle);
        $steps = (new Depend($vehicle))->between((new Expand($vehicle))->of($resolved->bound, $strip), $resolved);

        return [(new Overlap($vehicle))->of((new Group($vehicle))->of($steps), $resolved), $resolved];
    }

    /**
     * The same jobs with another of them first: where two want the vehicle elsewhere, who begins decides how often it goes up.
     *
     * @param list<Procedure> $procedures
     *
     * @return list<list<Procedure>>
     */
    private static function turned(array $procedures): array
    {
        $turned = count($procedures) > 1 ? [array_reverse($procedures)] : [];
        for ($i = 1; $i < count($procedures) && count($procedures) > 2; ++$i) {
            $turned[] = [...array_slice($procedures, $i), ...array_slice($procedures, 0, $i)];
        }

        return $turned;
    }

    /** @throws UnplannableFit */
    private function ensureOffered(Choices $choices): void
    {
        foreach ($this->common->ways as $way) {
            $option = $choices->of($way->id);
            '' === $option || null !== $way->option($option) || throw UnplannableFit::dueToChoice($way->ask, $option);
        }
    }

    /**
     * @param list<Procedure> $procedures
     *
     * @return list<string> kinds of follow-up, each as often as the jobs book one of its own
     */
    private static function expected(array $procedures, Resolved $resolved): array
    {
        $kinds = array_values(array_unique(array_merge(...array_map(static fn (Procedure $p): array => $p->expects, $procedures))));
        $booked = [];
        foreach ($resolved->bound as $b) {
            if (Deed::Book === $b->operation->deed) {
                $booked[$b->operation->asking->followUp->id] = $b->operation->asking->followUp->kind;
            }
        }
        foreach (array_count_values($booked) as $kind => $count) {
            in_array($kind, $kinds, true) && $count > 1 && array_push($kinds, ...array_fill(0, $count - 1, (string) $kind));
        }

        return $kinds;
    }

    /**
     * Every job strips in its own order; only where the vehicle does not let them, what one shares with another waits for the
     * first of them alone.
     *
     * @return list<string>
     */
    private static function strip(Resolved $resolved, VehicleSheet $vehicle): array
    {
        try {
            return (new Order())->of((new Close())->of($resolved, $vehicle, true));
        } catch (UnplannableFit) {
            return (new Order())->of((new Close())->of($resolved, $vehicle));
        }
    }
}
