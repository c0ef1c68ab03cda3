<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Web;

use NimbleKnuckle\App\Storage\ChangedMeanwhile;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Bench\Signing\EndNames;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Tightening\AngleDrawing;
use NimbleKnuckle\Core\Vehicle\Joint;
use Symfony\Component\Uid\Ulid;
use Twig\Attribute\AsTwigFilter;
use Twig\Attribute\AsTwigFunction;

/** What templates ask for besides formats. */
final readonly class Helpers
{
    /** The id of the event a form will make, so that sending the form twice makes one event. */
    #[AsTwigFunction('new_ulid')]
    public static function newUlid(): string
    {
        return (string) new Ulid();
    }

    /**
     * A mark of one thing of a vehicle sheet as it is shown, for the form that changes it.
     *
     * @param array<array-key, mixed> $document
     */
    #[AsTwigFunction('seen_mark')]
    public static function seenMark(array $document, string $key, string|int $id): string
    {
        if ('lifting' === $key) {
            return ChangedMeanwhile::mark(is_array($document[$key] ?? null) ? $document[$key] : null);
        }
        foreach (is_array($document[$key] ?? null) ? array_values($document[$key]) : [] as $i => $thing) {
            if (is_array($thing) && ('limits' === $key ? (string) $i : $thing['id'] ?? null) === (string) $id) {
                return ChangedMeanwhile::mark($thing);
            }
        }

        return '';
    }

    /**
     * A text in rows of so many letters at most, for a drawing; a longer word has a row of its own.
     *
     * @return list<string>
     */
    #[AsTwigFilter('rows')]
    public static function rows(string $text, int $most): array
    {
        return explode("\n", wordwrap($text, $most, "\n"));
    }

    /** The name of a loose end, for the record. */
    #[AsTwigFunction('end_name')]
    public static function endName(Fit $fit, string $id): string
    {
        return (new EndNames($fit))->of($id);
    }

    /** “1st”, “2nd”: whose turn a bolt is. */
    #[AsTwigFunction('ordinal')]
    public static function ordinal(int $place): string
    {
        $ending = match (true) {
            $place % 100 >= 11 && $place % 100 <= 13 => 'th',
            1 === $place % 10 => 'st', 2 === $place % 10 => 'nd', 3 === $place % 10 => 'rd',
            default => 'th',
        };

        return $place.$ending;
    }

    #[AsTwigFunction('ladder')]
    public static function ladder(Joint $joint): TighteningStages
    {
        return TighteningStages::of($joint);
    }

    /**
     * Which way the left-hand fasteners of a step go; null where all are ordinary.
     *
     * @return array{text: string, anticlockwise: bool}|null
     */
    #[AsTwigFunction('joint_hands')]
    public static function jointHands(Fit $fit, Step $step): ?array
    {
        $on = $step->target;
        $joints = match (true) {
            '' !== $on->joint => array_filter([$fit->vehicle->joints[$on->joint] ?? null]),
            '' !== $on->item => $fit->vehicle->jointsOf($on->item),
            default => [],
        };
        $left = array_values(array_filter($joints, static fn (Joint $joint): bool => $joint->fastener->isLeftHand));
        if ([] === $left) {
            return null;
        }
        $isUndone = StepKind::Remove === $step->deed;

        return [
            'text' => sprintf(
                'Left-hand thread: %s %s', $isUndone ? 'undo' : 'tighten',
                $isUndone ? $left[0]->fastener->wayOff() : $left[0]->fastener->wayOn(),
            ),
            'anticlockwise' => 'anticlockwise' === ($isUndone ? $left[0]->fastener->wayOff() : $left[0]->fastener->wayOn()),
        ];
    }

    #[AsTwigFunction('head_drawing')]
    public static function headDrawing(float $angle, float $swing): AngleDrawing
    {
        return AngleDrawing::of(Angle::degrees($angle), Angle::degrees($swing > 0 ? $swing : TighteningStages::SWING));
    }
}
