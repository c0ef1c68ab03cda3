<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Storage\ChangedMeanwhile;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** Enters, changes and removes tools; numbers may be written in any unit. */
final readonly class KitEditor
{
    public const KINDS = [
        ToolRecord::WRENCH => 'torque wrench', 'adapter' => 'adapter, extension', 'socket' => 'socket, bit',
        'hand tool' => 'hand tool', 'special tool' => 'special tool', 'lifting' => 'lifting', 'measuring' => 'measuring',
        'fluids' => 'fluids',
    ];

    public function __construct(private EntityManagerInterface $em, private ClockInterface $clock)
    {
    }

    /**
     * @param array<string, mixed> $form
     *
     * @throws InvalidInput naming the field
     */
    public function keep(?ToolRecord $tool, array $form): ToolRecord
    {
        return $this->em->wrapInTransaction(fn (): ToolRecord => $this->kept($tool, $form));
    }

    /** A mark of a tool as it is shown, for the form that changes it. */
    public static function seen(?ToolRecord $tool): string
    {
        return ChangedMeanwhile::mark(null === $tool ? null : self::told($tool));
    }

    /** @return array<string, mixed> */
    private static function told(ToolRecord $tool): array
    {
        return [
            'name' => $tool->name, 'kind' => $tool->kind, 'drive' => $tool->drive, 'from, N·m' => $tool->min,
            'to, N·m' => $tool->max, 'reads within, %' => $tool->error,
            'lever, mm' => $tool->lever, 'calibrated' => $tool->calibratedOn?->format('Y-m-d'),
        ];
    }

    /** @throws InvalidInput for a name too long or taken, or a kind that is none */
    private function ensureFree(string $name, string $kind, ?ToolRecord $tool): void
    {
        mb_strlen($name) <= 120 || throw InvalidInput::in('name', 'A name has at most 120 characters.');
        isset(self::KINDS[$kind]) || throw InvalidInput::in(
            'kind', sprintf('“kind” is one of %s.', implode(', ', array_keys(self::KINDS))),
        );
        $other = $this->em->getRepository(ToolRecord::class)->findOneBy(['name' => $name]);
        null === $other || $other->id === $tool?->id || throw InvalidInput::in('name', sprintf('“%s” is in the kit already.', $name));
    }

    /** @param array<string, mixed> $form */
    private function kept(?ToolRecord $tool, array $form): ToolRecord
    {
        null === $tool || $this->em->refresh($tool);
        if (null !== $tool && isset($form['seen']) && $form['seen'] !== self::seen($tool)) {
            throw ChangedMeanwhile::to($tool->name, self::told($tool));
        }
        $in = Inputs::of(
            array_intersect_key($form, array_flip(['name', 'kind', 'drive', 'min', 'max', 'error', 'lever', 'calibrated'])),
            self::fields(),
        );
        $name = $in->text('name');
        $kind = $in->text('kind');
        $this->ensureFree($name, $kind, $tool);
        $wrench = ToolRecord::WRENCH === $kind;
        [$min, $max, $error, $lever] = $wrench ? $this->numbers($in) : [0.0, 0.0, 0.0, 0.0];
        $calibrated = $wrench && $in->has('calibrated') ? $this->date($in->text('calibrated')) : null;
        if (null === $tool) {
            $tool = new ToolRecord((string) new Ulid(), $name, $kind);
            $this->em->persist($tool);
        }
        [$tool->name, $tool->kind, $tool->drive, $tool->min, $tool->max, $tool->error, $tool->lever, $tool->calibratedOn] = [
            $name, $kind, $in->has('drive') ? mb_substr($in->text('drive'), 0, 20) : '', $min, $max, $error, $lever, $calibrated,
        ];
        $this->em->flush();

        return $tool;
    }

    public function calibratedToday(ToolRecord $tool): void
    {
        $tool->calibratedOn = $this->clock->now()->setTime(0, 0);
        $this->em->flush();
    }

    public function remove(ToolRecord $tool): void
    {
        $this->em->remove($tool);
        $this->em->flush();
    }

    /** @return list<Field> */
    private static function fields(): array
    {
        return [
            Field::text('name', 'Name', '3/8 in click wrench'), Field::text('kind', 'Kind', 'torque wrench'),
            Field::text('drive', 'Drive', '3/8 in')->optional(),
            Field::quantity('min', 'From', Kind::Torque, '10 N·m')->optional(),
            Field::quantity('max', 'To', Kind::Torque, '60 N·m')->optional(),
            Field::quantity(
                'error', 'Reads within', Kind::Percent, '4 %',
            )->optional(), Field::quantity('lever', 'Handle to drive', Kind::Length, '330 mm')->optional(),
            Field::text('calibrated', 'Calibrated on', '2026-01-15')->optional(),
        ];
    }

    /** @return array{float, float, float, float} */
    private function numbers(Inputs $in): array
    {
        foreach (['min' => '10 N·m', 'max' => '60 N·m', 'error' => '4 %'] as $field => $example) {
            $in->has($field) || throw InvalidInput::missing($field, $example);
        }
        [$min, $max] = [$in->number('min', Kind::Torque), $in->positive('max', Kind::Torque)];
        $max > $min || throw InvalidInput::in('max', 'The range must rise, from min to max.');

        return [
            $min, $max, $in->between('error', Kind::Percent, 0.0, 25.0),
            $in->has('lever') ? $in->between('lever', Kind::Length, 0.0, 3000.0) : 0.0,
        ];
    }

    private function date(string $text): \DateTimeImmutable
    {
        $date = 1 === preg_match('/\A\d{4}-\d\d-\d\d\z/', $text) ? \DateTimeImmutable::createFromFormat('!Y-m-d', $text) : false;
        false !== $date && $date->format('Y-m-d') === $text || throw InvalidInput::in('calibrated', 'Write the date as 2026-01-15.');
        $date <= $this->clock->now() || throw InvalidInput::in('calibrated', 'A calibration lies in the past.');

        return $date;
    }
}
