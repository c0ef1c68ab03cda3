<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint;

use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Lint\Rule\Run;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** Runs a sheet on the model of the vehicle and collects what the rules find, gravest first. */
final readonly class Linter
{
    /** @var list<Rule\Rule> */
    private array $rules;

    public function __construct(Rule\Rule ...$rules)
    {
        $this->rules = [] === $rules ? self::standard() : array_values($rules);
    }

    public function marked(Sheet $sheet, VehicleSheet $vehicle, Kit $kit): Sheet
    {
        return new Sheet(
            $sheet->title, $sheet->steps, $this->findings($sheet, $vehicle, $kit), $sheet->lists,
            $sheet->timing, $sheet->moves, $sheet->expects,
        );
    }

    /** @return list<Finding> */
    public function findings(Sheet $sheet, VehicleSheet $vehicle, Kit $kit): array
    {
        $run = Run::of($sheet, $vehicle, $kit);
        $found = [];
        foreach ($this->rules as $rule) {
            foreach ($rule->inspect($run) as $finding) {
                $found[] = $finding;
            }
        }
        usort(
            $found,
            static fn (Finding $a, Finding $b): int => [
                $b->level->rank(), $sheet->placeOf($a->step), $a->code,
            ] <=> [$a->level->rank(), $sheet->placeOf($b->step), $b->code],
        );

        return $found;
    }

    /** @return list<Rule\Rule> */
    private static function standard(): array
    {
        return [
            new Rule\ItemNotRefitted(), new Rule\TrayMiscounts(), new Rule\JointNotTightened(), new Rule\JointWithoutFigure(),
            new Rule\FigureDoubtful(),
            new Rule\FigureTooLow(), new Rule\NoWrench(), new Rule\SinglePartMissing(), new Rule\CircuitNotFilled(),
            new Rule\StartedBeforeFilled(),
            new Rule\AgainstTheLaw(), new Rule\FollowUpMissing(), new Rule\ToolMissing(),
            new Rule\NotLowered(), new Rule\EmptySheet(),
            new Rule\BatteryLeftOff(), new Rule\SupportLeftIn(),
            new Rule\MovesTooFar(),
            new Rule\RaisedUnmounted(), new Rule\SupportGone(), new Rule\SupportTooWeak(),
            new Rule\TwoBodiesHang(), new Rule\MountsBothOut(), new Rule\StartedOnStands(),
            new Rule\BushBeforeLoad(), new Rule\RoomIsGone(), new Rule\LoadAndRoomClash(), new Rule\SetNotComplete(),
            new Rule\CureTooShort(), new Rule\PasteAndLocker(),
            new Rule\ClampsNotRechecked(), new Rule\GateLocked(), new Rule\BeltNotListed(), new Rule\FlashWithoutWait(),
            new Rule\LevelWhileHot(),
            new Rule\LevelNotChecked(), new Rule\RunsWithPartsOff(), new Rule\RunsWithJointsLoose(), new Rule\WaitWithoutEnd(),
            new Rule\StepTwice(),
            new Rule\MixWithoutReading(), new Rule\RaisedWithoutCaution(), new Rule\UnknownBinding(), new Rule\RefitOutOfOrder(),
            new Rule\YieldBoltReused(), new Rule\RemovedTwice(), new Rule\RefitNotOff(), new Rule\TightenedBeforeIn(),
            new Rule\BatteryOnEarly(), new Rule\OffBeforeDrained(), new Rule\FilledWithPartOff(),
            new Rule\NotChecked(), new Rule\WheelHeld(), new Rule\MovesWhileItRuns(),
            new Rule\UnpluggedUnnamed(), new Rule\ImpactOnTheLock(), new Rule\NeedsASecond(), new Rule\CoverBeforeTheLook(),
            new Rule\EndsNotLooked(),
        ];
    }
}
