import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

export default ts.config(
    { ignores: ['resources/js/api/schema.generated.ts', 'public/build', 'vendor', 'var', '.dependency-cruiser.cjs'] },
    js.configs.recommended,
    ts.configs.strictTypeChecked,
    {
        languageOptions: { parserOptions: { projectService: { allowDefaultProject: ['*.js'] }, tsconfigRootDir: import.meta.dirname } },
        plugins: { 'react-hooks': hooks },
        rules: {
            ...hooks.configs.recommended.rules,
            '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
            '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
            '@typescript-eslint/only-throw-error': 'error',
        },
    },
    { files: ['*.js'], ...ts.configs.disableTypeChecked },
);
