<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Schemas;

use NimbleKnuckle\Core\Document\InvalidDocument;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Holds documents against the JSON Schema of their format: what we read and what we write. */
final readonly class SchemaBook
{
    private const PREFIX = 'https://schemas.nimble-knuckle.invalid/';

    public function __construct(#[Autowire(param: 'app.schemas_dir')] private string $schemasDir)
    {
    }

    /**
     * @param string $name vehicle-1, procedure-1, common-1, mishaps-1, sheet-1, fit-1, workshop-1
     *
     * @throws InvalidDocument at the first place that does not fit
     */
    public function ensureValid(mixed $document, string $name): void
    {
        $validator = new Validator();
        foreach (glob($this->schemasDir.'/*.json') ?: [] as $file) {
            $validator->resolver()?->registerFile(self::PREFIX.basename($file, '.json'), $file);
        }
        $result = $validator->validate(self::asObjects($document), self::PREFIX.$name);
        $error = $result->error();
        if (null !== $error) {
            [$path, $message] = $this->deepest($error);
            throw InvalidDocument::at($path, $message);
        }
    }

    /** @return array{string, string} */
    private function deepest(ValidationError $error): array
    {
        foreach ($error->subErrors() as $inner) {
            if ($inner instanceof ValidationError) {
                return $this->deepest($inner);
            }
        }
        $path = implode(
            '.', array_map(static fn (mixed $part): string => is_scalar($part) ? (string) $part : '', $error->data()->fullPath()),
        );

        return [$path, lcfirst((new ErrorFormatter())->formatErrorMessage($error)).'.'];
    }

    private static function asObjects(mixed $document): mixed
    {
        return json_decode(json_encode($document, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION), false, 64, \JSON_THROW_ON_ERROR);
    }
}
