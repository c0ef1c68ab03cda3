<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\FileType;
use Symfony\Component\Form\Extension\Core\Type\TextareaType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Callback;
use Symfony\Component\Validator\Constraints\File;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/**
 * A fit from a file, or pasted.
 *
 * @extends AbstractType<Import>
 */
final class ImportForm extends AbstractType
{
    private const MOST_BYTES = 8_000_000;
    private const MOST_ZIP = 58_000_000;
    private const TOO_LARGE = 'That file is too large to be a fit.';

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder->add('file', FileType::class, [
            'label' => 'The file', 'required' => false, 'attr' => ['accept' => 'application/json,.json,application/zip,.zip'],
            'constraints' => [new File(maxSize: self::MOST_ZIP, maxSizeMessage: self::TOO_LARGE)],
        ])->add('json', TextareaType::class, [
            'label' => 'Or what stands in it', 'required' => false, 'empty_data' => '', 'trim' => false, 'attr' => ['rows' => 4],
            'constraints' => [new Length(max: self::MOST_BYTES, maxMessage: self::TOO_LARGE, charset: '8bit')],
        ]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults([
            'data_class' => Import::class, 'allow_extra_fields' => true,
            'constraints' => [new Callback(static function (Import $import, ExecutionContextInterface $context): void {
                null === $import->file && '' === trim($import->json) && $context->buildViolation('Choose a file first.')->atPath('file')
                    ->addViolation();
            })],
        ]);
    }
}
