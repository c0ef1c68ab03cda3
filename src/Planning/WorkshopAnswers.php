<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Workshop\WorkshopRecord;
use NimbleKnuckle\Core\Bench\Task\FillFromBench;
use NimbleKnuckle\Core\Compiler\Complete\CureWaits;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use Symfony\Component\HttpFoundation\InputBag;

/** What is asked of the workshop before a fit: how warm it is and how high it lies; each as written, and as read or refused. */
final readonly class WorkshopAnswers
{
    private const FIELDS = [
        'workshop' => [CureWaits::CHOICE, Kind::Temperature, WorkshopRecord::TEMPERATURES, 'The workshop is between −10 and 50 °C.'],
        'altitude' => [
            FillFromBench::CHOICE, Kind::Altitude, WorkshopRecord::ALTITUDES,
            "A workshop lies between 500 m below and 6\u{202F}000 m above the sea.",
        ],
    ];

    /**
     * @param array<string, string> $typed field => as it was written
     * @param array<string, string> $chosen choice => its value in °C or m
     * @param array<string, string> $errors field => what is wrong with it
     */
    private function __construct(public array $typed, public array $chosen, public array $errors)
    {
    }

    /**
     * @param InputBag<string> $input
     * @param array<string, ?float> $usual field => what the workshop has said, where this fit says nothing yet
     */
    public static function read(InputBag $input, array $usual = []): self
    {
        $typed = $chosen = $errors = [];
        foreach (self::FIELDS as $field => [$choice, $kind, [$low, $high], $bounds]) {
            $own = isset($usual[$field]) ? $usual[$field].' '.$kind->baseUnit()->symbol() : '';
            $typed[$field] = mb_substr(trim($input->has($field) ? $input->getString($field) : $own), 0, 120);
            if ('' === $typed[$field]) {
                continue;
            }
            try {
                $value = Notation::read($kind, $typed[$field])->value();
                $chosen += $value >= $low && $value <= $high ? [$choice => (string) round($value, 1)] : [];
                $errors += isset($chosen[$choice]) ? [] : [$field => $bounds];
            } catch (InvalidQuantity $e) {
                $errors[$field] = $e->getMessage();
            }
        }

        return new self($typed, $chosen, $errors);
    }
}
