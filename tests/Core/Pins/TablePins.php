<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

use NimbleKnuckle\Core\Bolting\BearingFace;
use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\BoltMetal;
use NimbleKnuckle\Core\Bolting\Compound;
use NimbleKnuckle\Core\Bolting\Friction;
use NimbleKnuckle\Core\Bolting\Grade;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\Member;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Bolting\ThreadCondition;
use NimbleKnuckle\Core\Fluids\ClampKind;
use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** What the tables give, row by row. */
final readonly class TablePins implements Pin
{
    public static function values(): iterable
    {
        yield from self::units();
        foreach (Thread::all() as $thread) {
            yield 'thread '.$thread->name => [
                $thread, $thread->pitchDiameter(), $thread->rootDiameter(), $thread->minorDiameter(), $thread->stressDiameter(),
                $thread->stressArea(), $thread->internalShearArea(10.0), $thread->externalShearArea(10.0),
                $thread->isMetric(), $thread->isPipe(), $thread->isUnified(),
            ];
            foreach (array_keys(BearingFace::HEADS) as $head) {
                yield $head.' '.$thread->name => self::face($head, $thread);
            }
            yield 'yield '.$thread->name => Bolt::named($thread->name, '10.9')->yieldsAt();
        }
        foreach (Grade::cases() as $grade) {
            yield 'grade '.$grade->value => [$grade->yieldStress(), $grade->tensileStrength(), $grade->modulus()];
        }
        foreach (Material::cases() as $material) {
            yield 'material '.$material->value => $material->shearStrength();
        }
        foreach (Member::cases() as $member) {
            yield 'member '.$member->value => [$member->stiffness(8.0, 25.0)->value, $member->stiffness(12.0, 60.0)->value];
        }
        foreach (ThreadCondition::cases() as $condition) {
            yield 'friction '.$condition->value => Friction::condition($condition);
        }
        foreach (BoltMetal::cases() as $metal) {
            foreach (Compound::cases() as $compound) {
                yield $metal->value.' '.$compound->value => [
                    $compound->factor(Thread::parse('M8'), $metal->dry()), $compound->friction($metal->dry()), $compound->usualCure(),
                ];
            }
        }
        foreach (Glycol::cases() as $base) {
            yield 'glycol '.$base->value => [$base->rows(), $base->strongest()];
        }
        foreach (ClampKind::cases() as $kind) {
            foreach ($kind->sizes() as $i => $size) {
                yield 'clamp '.$kind->value.' '.$i => $size;
            }
        }
    }

    /** @return iterable<string, mixed> */
    private static function units(): iterable
    {
        foreach (Unit::cases() as $unit) {
            yield 'unit '.$unit->value => [$unit->kind(), $unit->factor(), $unit->offset(), $unit->symbol(), $unit->spellings()];
        }
        foreach (Kind::cases() as $kind) {
            yield 'kind '.$kind->value => [
                $kind->baseUnit(), $kind->absurdAbove(), $kind->denominators(), $kind->mayBeNegative(), $kind->acceptedUnits(),
                $kind->withArticle(),
            ];
        }
    }

    private static function face(string $head, Thread $thread): mixed
    {
        try {
            return [BearingFace::under($head, $thread), BearingFace::under($head, $thread)->meanDiameter()];
        } catch (InvalidInput $e) {
            return $e->getMessage();
        }
    }
}
