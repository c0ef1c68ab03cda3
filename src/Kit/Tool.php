<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Kit;

/** What stands in the form of a tool: quantities as somebody writes them. */
final class Tool
{
    /** Null where the form came without it. */
    public ?string $id = null;
    /** A mark of the tool as it was shown. */
    public ?string $seen = null;
    public string $name = '';
    /** Null where the form came without it. */
    public ?string $kind = ToolRecord::WRENCH;
    public string $drive = '';
    public string $min = '';
    public string $max = '';
    public string $error = '';
    public string $lever = '';
    public string $calibrated = '';

    public static function of(?ToolRecord $tool): self
    {
        $form = new self();
        if (null === $tool) {
            return $form;
        }
        $number = static fn (float $value, string $unit): string => $tool->isWrench() && $value > 0.0 ? round($value, 3).' '.$unit : '';
        [$form->id, $form->seen, $form->name, $form->kind, $form->drive] = [
            $tool->id, KitEditor::seen($tool), $tool->name, $tool->kind, $tool->drive,
        ];
        [$form->min, $form->max, $form->error, $form->lever] = [
            $tool->isWrench() ? round($tool->min, 3).' N·m' : '', $number($tool->max, 'N·m'),
            $tool->isWrench() ? round($tool->error, 3).' %' : '', $number($tool->lever, 'mm'),
        ];
        $form->calibrated = $tool->calibratedOn?->format('Y-m-d') ?? '';

        return $form;
    }

    /** @return array<string, string> as the editor of the kit reads it; a new tool has not been seen before */
    public function fields(): array
    {
        $fields = [
            'name' => $this->name, 'kind' => $this->kind ?? '', 'drive' => $this->drive, 'min' => $this->min, 'max' => $this->max,
            'error' => $this->error, 'lever' => $this->lever, 'calibrated' => $this->calibrated,
        ];

        $written = array_filter($fields, static fn (string $value): bool => '' !== $value);

        return $written + (null === $this->id ? [] : ['seen' => $this->seen ?? '']);
    }
}
