<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Procedure\Operation;

/** An operation with the ids of the vehicle's own item, joint and circuit it acts on, and the procedure it came from. */
final readonly class Bound
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
            in_array($op->asking->sum, ['coolant-mix', 'warm-up'], true) => 'sum '.$op->asking->sum,
            in_array($op->deed, [Deed::Remove, Deed::Refit], true) && '' !== $this->item => $op->deed->value.' '.$this->item,
            Deed::Tighten === $op->deed && '' !== $this->joint => 'tighten '.$this->joint,
            in_array(
                $op->deed, [Deed::Drain, Deed::Fill, Deed::Bleed], true,
            ) && '' !== $this->circuit => $op->deed->value.' '.$this->circuit,
            in_array(
                $op->deed, [Deed::Cold, Deed::BatteryOff, Deed::BatteryOn, Deed::Start, Deed::Leaks, Deed::Drive, Deed::CoolDown], true,
            ) => $op->deed->value,
            in_array($op->deed, [Deed::Hold, Deed::HandOver, Deed::Release], true) => implode(' ', [
                $op->deed->value, $op->aim->load->body, $op->aim->load->support->value ?? '',
            ]),
            Deed::Undo === $op->deed && '' !== $this->joint => 'undo '.$this->joint,
            Deed::Book === $op->deed => 'book '.$op->asking->followUp->id,
            [] !== $op->asking->asks => 'asks '.implode(',', array_map(static fn ($ask): string => $ask->field, $op->asking->asks)),
            Deed::Rebuild === $op->deed => 'rebuild '.$op->slot->phase->value.' '.$op->aim->on,
            default => 'title '.mb_strtolower('' === $op->words->title ? $op->id : $op->words->title),
        };
    }
}
