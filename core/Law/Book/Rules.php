<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Book;

use NimbleKnuckle\Core\Law\Before;
use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Law\Within;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Sheet\Step;

/**
 * The whole law of a sheet, worked out step by step: “before” must be true for a step to begin, “within” for it to be closed. There
 * is no other list of rules: bench and tablet are judged by these.
 */
final class Rules
{
    /** What can only be wrong where something is done out of order, or otherwise than the sheet has it. */
    private const BY_ORDER = [
        Before\SafetyReading::class, Before\EarlierWork::class, Before\WaitsOver::class, Before\LineOrder::class, Before\Mended::class,
        Before\StripOrder::class, Before\SafeToRelease::class,
    ];

    /** @var array<string, list<Row>> */
    private array $before = [];
    /** @var array<string, list<Row>> */
    private array $within = [];
    /** @var list<Row>|null */
    private ?array $moving = null;

    /**
     * @param list<Rule> $rulesBefore
     * @param list<Rule> $rulesWithin
     */
    private function __construct(public readonly Ground $ground, private readonly array $rulesBefore, private readonly array $rulesWithin)
    {
    }

    public static function of(Ground $ground): self
    {
        return new self($ground, [
            new Before\SafetyReading(), new Before\OnItsStands(), new Before\ColdEnough(), new Before\WeightHeld(),
            new Before\MountsInTurn(), new Before\BatteryOff(), new Before\WheelsHeld(), new Before\NothingRuns(), new Before\NobodyUnder(),
            new Before\Untied(),
            new Before\SafeToRun(), new Before\SafeToRelease(), new Before\SafeToLower(), new Before\LookedAtBelow(),
            new Before\GuardsBack(), new Before\ThreadsAsMeant(), new Before\StripOrder(),
            new Before\ReadyToFill(), new Before\InTheWayOut(), new Before\Mended(),
            new Before\EarlierWork(), new Before\WaitsOver(), new Before\LineOrder(),
        ], [
            new Within\CautionsRead(), new Within\ReadingsTaken(), new Within\CurveSound(), new Within\StackInBand(),
            new Within\RoutineDone(), new Within\PictureTaken(),
            new Within\HoldsStood(),
            new Within\PiecesAddUp(), new Within\PutInCounted(), new Within\ToolsCounted(), new Within\FastenersFinal(),
            new Within\PassesInOrder(),
            new Within\CureOver(),
        ]);
    }

    /** The same law and one rule more, of what must be true before a step. */
    public function withBefore(Rule $rule): self
    {
        return new self($this->ground, [...$this->rulesBefore, $rule], $this->rulesWithin);
    }

    /** @return list<Row> */
    public function before(Step $step): array
    {
        return $this->before[$step->id] ??= $this->rows($this->rulesBefore, $step);
    }

    /**
     * What a sheet can have wrong by itself. Where all is done in order, what is read, waits or comes earlier is as it should be.
     *
     * @return list<Row>
     */
    public function planned(Step $step): array
    {
        return $this->rows(array_values(array_filter(
            $this->rulesBefore, static fn (Rule $rule): bool => !in_array($rule::class, self::BY_ORDER, true),
        )), $step);
    }

    /** @return list<Row> what holds back a vehicle that is moved, at whatever step */
    public function moving(): array
    {
        return $this->moving ??= (new Moving($this->ground))->rows();
    }

    /** @return list<Row> */
    public function within(Step $step): array
    {
        return $this->within[$step->id] ??= $this->rows($this->rulesWithin, $step);
    }

    /**
     * @param list<Rule> $rules
     *
     * @return list<Row>
     */
    private function rows(array $rules, Step $step): array
    {
        $rows = [];
        foreach ($rules as $rule) {
            foreach ($rule->rows($this->ground, $step) as $row) {
                $rows[] = $row;
            }
        }

        return $rows;
    }
}
