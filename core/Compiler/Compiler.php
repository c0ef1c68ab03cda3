<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler;

use NimbleKnuckle\Core\Compiler\Arrange\Arrangement;
use NimbleKnuckle\Core\Compiler\Arrange\Lifts;
use NimbleKnuckle\Core\Compiler\Arrange\RunningFitSnapshot;
use NimbleKnuckle\Core\Compiler\Bind\Resolve;
use NimbleKnuckle\Core\Compiler\Bind\Resolved;
use NimbleKnuckle\Core\Compiler\Check\Checking;
use NimbleKnuckle\Core\Compiler\Complete\Completion;
use NimbleKnuckle\Core\Compiler\Complete\Moves;
use NimbleKnuckle\Core\Compiler\Expand\Expansion;
use NimbleKnuckle\Core\Compiler\Schedule\Staffing;
use NimbleKnuckle\Core\Compiler\Strip\Stripping;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Lint\Linter;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\CommonParts;
use NimbleKnuckle\Core\Procedure\Complaint\ComplaintWork;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Procedure\Questions;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Sheet\Pace\Paces;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * Makes a fit sheet in seven stages, each with a folder of its own: bind, strip, expand, arrange, complete, schedule, check. The
 * same input gives the same sheet.
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
     * @param ?RunningFitSnapshot $standing what stands where a running fit is planned again; null for a new one
     *
     * @throws UnplannableFit
     */
    public function compile(
        array $procedures, Choices $choices, VehicleSheet $vehicle, Kit $kit, int $people = 1, ?RunningFitSnapshot $standing = null,
        Paces $paces = new Paces(),
    ): Sheet {
        $this->ensureOffered($choices);
        $choices = new Choices(Questions::agreed($procedures, $choices->chosen));
        $vehicle = AppliedChoices::onto($vehicle, $choices);
        [$steps, $resolved] = self::arranged($procedures, $choices, $vehicle, $standing->ids ?? []);
        foreach (null === $standing && Lifts::needed($steps) > self::UP_AND_DOWN ? self::turned($procedures) : [] as $turned) {
            [$other, $so] = self::arranged($turned, $choices, $vehicle, []);
            [$steps, $resolved] = Lifts::needed($other) < Lifts::needed($steps) ? [$other, $so] : [$steps, $resolved];
        }
        [$steps, $moves] = (new Completion($this->common, $vehicle, $choices))->of($standing?->carried($steps) ?? $steps, $people);
        [$steps, $timing] = (new Staffing($paces))->of($steps, $resolved, $people);
        $title = implode(', ', array_map(static fn (Procedure $p): string => $p->title, ComplaintWork::without($procedures)));

        return (new Checking($vehicle, $kit, $this->linter))->of($title, $steps, $timing, $moves, self::expected($procedures, $resolved));
    }

    /**
     * Stages 1 to 4.
     *
     * @param list<Procedure> $procedures
     * @param list<string> $standing ids of the steps a running fit has
     *
     * @return array{list<Step>, Resolved}
     *
     * @throws UnplannableFit
     */
    private static function arranged(array $procedures, Choices $choices, VehicleSheet $vehicle, array $standing): array
    {
        $resolved = (new Resolve())->of($procedures, $choices, $vehicle, $standing);
        $steps = (new Expansion($vehicle))->of($resolved, (new Stripping($vehicle))->of($resolved));

        return [(new Arrangement($vehicle))->of($steps, $resolved), $resolved];
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
            if (StepKind::Book === $b->operation->deed) {
                $booked[$b->operation->asking->followUp->id] = $b->operation->asking->followUp->kind;
            }
        }
        foreach (array_count_values($booked) as $kind => $count) {
            in_array($kind, $kinds, true) && $count > 1 && array_push($kinds, ...array_fill(0, $count - 1, (string) $kind));
        }

        return $kinds;
    }
}
