<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting\Door;

use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Bolting\ThreadDrawing;
use NimbleKnuckle\Core\Bolting\ThreadMatch;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/**
 * Names a thread from the outside diameter and the pitch as measured, and its neighbours that could be mistaken for it.
 * Lengths in mm. A bolt measures up to 0.3 mm under its name (tolerance 6g, ISO 965-1); ISO 261, ASME B1.1, ISO 228-1.
 */
final readonly class ThreadGauge implements Sum
{
    public function about(): About
    {
        return new About('thread-gauge', 'Identify a thread', 'What is the figure', static fn (): array => [
            Field::quantity('diameter', 'Outside diameter', Kind::Length, '7.9 mm', 'Over the crests, with a caliper.')->within(1.0, 40.0),
            Field::quantity(
                'pitch', 'Pitch', Kind::Length, '1.25 mm', 'Thread gauge, or ten crests over ten. In mm or inch.'
            )->within(0.2, 4.0)->optional(),
            Field::quantity('tpi', 'or threads an inch', Kind::Number, '18')->within(6.0, 80.0)->optional(),
        ], ['pitch']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'It is', [['number' => (string) $r->entries('thread')[0], 'unit' => '']],
            sprintf('%s mm across, %s mm pitch', Show::n($r->number('nominal')), Show::n($r->number('pitch'))),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return [
            'thread',
            ThreadDrawing::of(
                Thread::parse((string) $r->entries('thread')[0]), 1.5 * Thread::parse((string) $r->entries('thread')[0])->diameter,
            ),
        ];
    }

    public function compute(Inputs $in): SumResult
    {
        $diameter = $in->length('diameter');
        $pitch = $this->pitch($in);
        $match = ThreadMatch::of($diameter, $pitch) ?? throw InvalidInput::in(
            'diameter',
            sprintf(
                'No thread of the tables has %s mm and a pitch of %s mm: measure over the crests again, and count the pitch '
                    .'over ten threads.',
                Show::n($diameter->millimetres), Show::n($pitch->millimetres),
            ),
        );
        $best = $match->thread;

        return new SumResult($this->about()->name, $in->raw, [
            'thread' => Value::names([$best->name]),
            'nominal' => Value::of($best->diameter, Unit::Millimetre->value),
            'pitch' => Value::of($best->pitch, Unit::Millimetre->value),
            'neighbours' => Value::names(array_map(static fn (Thread $t): string => $t->name, $match->neighbours)),
        ], [
            $this->named($match),
            ...array_map(fn (Thread $n): Check => Check::watch('confusable', $this->difference($best, $n)), $match->neighbours),
        ], [
            Working::by(
                $match->distance, 'Distance to each thread', ', the least', 'tables ISO 261, ASME B1.1, ISO 228-1; tolerance 6g, ISO 965-1',
                with: sprintf(
                    'measured %s and %s mm, table %s and %s mm', Show::n($diameter->millimetres), Show::n($pitch->millimetres),
                    Show::n($best->diameter), Show::n($best->pitch),
                ),
                result: $match->distance->said('', 3).', the least',
            ),
        ]);
    }

    private function named(ThreadMatch $match): Check
    {
        $best = $match->thread;

        return null !== $match->rival ? Check::watch(
            'two-fit',
            sprintf(
                '%s, but %s fits nearly as well: try a nut of each by hand, it must run on over its whole length.', $best->name,
                $match->rival->name,
            ),
        ) : Check::ok(
            'named',
            sprintf(
                '%s: %s mm across, %s mm pitch (%s threads an inch).', $best->name, Show::n($best->diameter),
                Show::n($best->pitch), Show::n(25.4 / $best->pitch, 3),
            ),
        );
    }

    private function pitch(Inputs $in): Length
    {
        $byCount = $in->has('tpi') ? 25.4 / $in->number('tpi', Kind::Number) : null;
        if (!$in->has('pitch')) {
            return Length::millimetres($byCount ?? throw InvalidInput::in(
                'pitch', 'The diameter alone does not name a thread: give the pitch or the threads an inch.',
            ));
        }
        $pitch = $in->length('pitch');
        null === $byCount || abs($byCount - $pitch->millimetres) < 0.05 || throw InvalidInput::in(
            'tpi',
            sprintf(
                'A pitch of %s mm is %s threads an inch: give one of the two.', Show::n($pitch->millimetres),
                Show::n(25.4 / $pitch->millimetres, 3),
            ),
        );

        return $pitch;
    }

    private function difference(Thread $best, Thread $other): string
    {
        $slip = abs($other->pitch - $best->pitch) * 10;

        return sprintf(
            '%s is close: %s mm in diameter and %s mm over ten threads apart. It starts by hand and then binds.', $other->name,
            Show::n(abs($other->diameter - $best->diameter), 2), Show::n($slip, 2),
        );
    }
}
