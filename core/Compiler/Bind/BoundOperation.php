<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Bind;

use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Procedure\Operation;
use NimbleKnuckle\Core\Procedure\StepKind;

/** An operation with the ids of the vehicle's own item, joint and circuit it acts on, and the procedure it came from. */
final readonly class BoundOperation
{
    public function __construct(
        public Operation $operation, public string $item, public string $joint, public string $circuit,
        public string $procedure = '',
    ) {
    }

    /** Operations of different procedures with the same deed on the same thing are one: what both need is done once. */
    public function sameAs(): string
    {
        $op = $this->operation;

        return match (true) {
            Ties::isOne($op->id) => $op->id,
            in_array($op->asking->sum, ['coolant-mix', CurveKind::WarmUp->value], true) => 'sum '.$op->asking->sum,
            in_array($op->deed, [StepKind::Remove, StepKind::Refit], true) && '' !== $this->item => $op->deed->value.' '.$this->item,
            StepKind::Tighten === $op->deed && '' !== $this->joint => 'tighten '.$this->joint,
            in_array(
                $op->deed, [StepKind::Drain, StepKind::Fill, StepKind::Bleed], true,
            ) && '' !== $this->circuit => $op->deed->value.' '.$this->circuit,
            in_array(
                $op->deed,
                [
                    StepKind::Cold, StepKind::BatteryOff, StepKind::BatteryOn, StepKind::Start, StepKind::Leaks, StepKind::Drive,
                    StepKind::CoolDown,
                ],
                true,
            ) => $op->deed->value,
            in_array($op->deed, [StepKind::Hold, StepKind::HandOver, StepKind::Release], true) => implode(' ', [
                $op->deed->value, $op->aim->load->body, $op->aim->load->support->value ?? '',
            ]),
            StepKind::Undo === $op->deed && '' !== $this->joint => 'undo '.$this->joint,
            StepKind::Book === $op->deed => 'book '.$op->asking->followUp->id,
            [] !== $op->asking->asks => 'asks '.implode(',', array_map(static fn ($ask): string => $ask->field, $op->asking->asks)),
            StepKind::Rebuild === $op->deed => 'rebuild '.$op->slot->phase->value.' '.$op->aim->on,
            default => 'title '.mb_strtolower('' === $op->words->title ? $op->id : $op->words->title),
        };
    }
}
