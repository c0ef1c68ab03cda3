<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Fluids\CoolantStrength;
use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Procedure\Choice;
use NimbleKnuckle\Core\Quantity\Figure;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** What was written for a measurement becomes its value, by the kind the step asks for. */
final readonly class MeasuredText
{
    /**
     * @param array<array-key, mixed> $payload step, field and text
     *
     * @return array<string, string|float>
     *
     * @throws InvalidEvent
     */
    public function read(array $payload, Sheet $sheet, VehicleSheet $vehicle): array
    {
        [$stepId, $field, $text] = [$payload['step'] ?? null, $payload['field'] ?? null, $payload['text'] ?? null];
        if (!is_string($stepId) || !is_string($field) || !is_string($text)) {
            throw InvalidEvent::in('text', 'Write down the reading.');
        }
        foreach ($sheet->step($stepId)->asking->asks ?? [] as $ask) {
            if ($ask->field === $field) {
                return ['step' => $stepId, 'field' => $field, 'unit' => $ask->kind->baseUnit()->value] + self::fromPhoto($payload)
                    + ([] === $ask->limits->choices ? self::measured($ask, trim($text), $vehicle) : self::chosen($ask, $text));
            }
        }
        throw InvalidEvent::in('field', 'This step does not ask for that.');
    }

    /**
     * The picture it was read off, and by how much it may be wrong in the base unit.
     *
     * @param array<array-key, mixed> $payload
     *
     * @return array<string, string|float>
     */
    private static function fromPhoto(array $payload): array
    {
        $photo = $payload['photo'] ?? '';
        $doubt = $payload['doubt'] ?? 0.0;

        $doubt = is_int($doubt) || is_float($doubt) ? (float) $doubt : 0.0;

        return is_string($photo) && '' !== $photo ? ['photo' => $photo, 'doubt' => $doubt] : [];
    }

    /**
     * A bare number is in the unit that is asked for.
     *
     * @return array{text: string, value: float}
     *
     * @throws InvalidEvent
     */
    private static function measured(Ask $ask, string $text, VehicleSheet $vehicle): array
    {
        $said = is_numeric(str_replace(',', '.', $text)) ? trim($text.' '.$ask->unit) : $text;

        return ['text' => $said, 'value' => self::figure($ask, $said, $vehicle)->value()];
    }

    /**
     * @return array{text: string, value: float}
     *
     * @throws InvalidEvent
     */
    private static function chosen(Ask $ask, string $text): array
    {
        $value = $ask->limits->valueOf($text) ?? throw InvalidEvent::in('text', sprintf(
            '%s: choose %s.', $ask->label, implode(', or ', array_map(
                static fn (Choice $one): string => sprintf('“%s”', $one->label), $ask->limits->choices,
            )),
        ));

        return ['text' => $ask->limits->choices[$value - 1]->label, 'value' => (float) $value];
    }

    /** @throws InvalidEvent */
    private static function figure(Ask $ask, string $text, VehicleSheet $vehicle): Figure
    {
        try {
            return Kind::Percent === $ask->kind
                ? CoolantStrength::read($text, Glycol::ofCircuit($vehicle->circuitFor('coolant')->blend->base ?? ''))->figure
                : Notation::read($ask->kind, $text);
        } catch (InvalidQuantity $e) {
            throw InvalidEvent::in('text', sprintf('%s: %s', $ask->label, $e->getMessage()));
        }
    }
}
